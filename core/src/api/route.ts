import type { z } from 'zod';
import type { Right } from '../rights';

/** A body that is text and not JSON. */
export type TextType =
  'text/csv' | 'text/plain' | 'text/calendar' | 'text/event-stream' | 'application/schema+json';

/** A body that is bytes. */
export type BytesType = 'image/jpeg' | 'application/pdf';

/** A body that is a file as large as it likes: it is read as it comes, never held whole. */
export type FileType = 'application/zip';

/** Who may come in: the holders of a right, or anyone at all. */
export type Door = Right | 'anyone';

/**
 * One route of the API, said once: the server mounts, checks and documents it from here, and the
 * app's client takes its types
 * from here. Its key is method and path, `GET /machines/{id}`.
 */
export interface Route {
  readonly summary: string;
  readonly door: Door;
  /** what its path names, for a 404: "machine" */
  readonly of?: string;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType | TextType | BytesType | FileType;
  /** contract of the body for the document, where the body is taken piece by piece */
  readonly documented?: z.ZodType;
  /** MB, 2 unless said */
  readonly limit?: number;
  /** status of a success, 200 unless said; 204 has no answer */
  readonly status?: 200 | 201 | 202 | 204;
  readonly answer: z.ZodType | TextType | BytesType | FileType | null;
}

/** What a part of a route holds once it is read; nothing where the route does not have it. */
export type Read<T> = T extends z.ZodType
  ? z.output<T>
  : T extends TextType
    ? string
    : T extends BytesType
      ? Uint8Array
      : undefined;

/** What is given for a part of a route, before defaults. */
export type Given<T> = T extends z.ZodType
  ? z.input<T>
  : T extends TextType
    ? string
    : T extends BytesType
      ? Uint8Array
      : undefined;
