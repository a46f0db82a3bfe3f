import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { z } from 'zod';
import { Invalid } from '../errors';

/*
 * A fleet snapshot as services give it (ISO 15143-3 style): JSON or XML, page by page. Read from it are
 * serials and both meters; all else in it is passed over.
 */

/** One machine of a snapshot. */
export interface Equipment {
  readonly serial: string;
  readonly engine?: { readonly hours: number; readonly at: string };
  readonly separator?: { readonly hours: number; readonly at: string };
}

/** A page of a snapshot. */
export interface SnapshotPage {
  readonly equipment: readonly Equipment[];
  /** address of the next page */
  readonly next: string | undefined;
}

const list = <T extends z.ZodType>(of: T) =>
  z.preprocess(
    (v) => (v === undefined || v === '' ? [] : Array.isArray(v) ? v : [v]),
    z.array(of).max(5000),
  );
const Cumulative = z.object({
  datetime: z.iso.datetime({ offset: true }),
  Hour: z.coerce.number().finite().nonnegative().max(100_000),
});
const Page = z.object({
  Links: list(z.object({ rel: z.string(), href: z.string().max(500) })).default([]),
  Equipment: list(
    z.object({
      EquipmentHeader: z.object({ SerialNumber: z.coerce.string().trim().min(1).max(120) }),
      CumulativeOperatingHours: Cumulative.optional(),
      CumulativeSeparatorHours: Cumulative.optional(),
    }),
  ).default([]),
});

/** No snapshot is larger, characters. */
const LARGEST = 20_000_000;

/** Reads a page. @throws Invalid in words: neither JSON nor XML, or what in it is none */
export function readSnapshot(text: string): SnapshotPage {
  if (text.length > LARGEST) throw refused('smaller than 20 MB');
  const trimmed = text.trimStart();
  const read = Page.safeParse(trimmed.startsWith('<') ? fromXml(trimmed) : fromJson(trimmed));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw refused(
      `a fleet snapshot; at ${issue?.path.join('.') || 'its top'}: ${issue?.message ?? ''}`,
    );
  }
  const moment = (c: z.infer<typeof Cumulative> | undefined) =>
    c && { hours: c.Hour, at: new Date(c.datetime).toISOString() };
  return {
    next: read.data.Links.find((l) => l.rel.toLowerCase() === 'next')?.href,
    equipment: read.data.Equipment.map((e) => {
      const [engine, separator] = [
        moment(e.CumulativeOperatingHours),
        moment(e.CumulativeSeparatorHours),
      ];
      return {
        serial: e.EquipmentHeader.SerialNumber,
        ...(engine ? { engine } : {}),
        ...(separator ? { separator } : {}),
      };
    }),
  };
}

const refused = (wanted: string) =>
  new Invalid('Not a fleet snapshot', `Wanted ${wanted}.`, [
    { field: 'file', message: `wanted ${wanted}` },
  ]);

function fromJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw refused('JSON or XML');
  }
}

/** XML as plain objects. Entities of its own are not followed: a file that brings any is refused. */
function fromXml(text: string): unknown {
  if (/<!DOCTYPE|<!ENTITY/i.test(text))
    throw refused('XML without a document type or entities of its own');
  const valid = XMLValidator.validate(text);
  if (valid !== true) throw refused(`whole XML; line ${valid.err.line}: ${valid.err.msg}`);
  const read: unknown = new XMLParser({
    ignoreAttributes: true,
    parseTagValue: false,
    processEntities: true,
    removeNSPrefix: true,
  }).parse(text);
  const root = z.record(z.string(), z.unknown()).safeParse(read);
  return root.success
    ? Object.entries(root.data).find(([name]) => name === 'Fleet')?.[1]
    : undefined;
}
