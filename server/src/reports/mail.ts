import { mkdir, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import nodemailer from 'nodemailer';

/** A message with a paper beside it. */
export interface Mail {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly attached?: { readonly name: string; readonly bytes: Uint8Array };
}

/** Sends mail, or stands in for it. */
export type Mailer = (mail: Mail) => Promise<void>;

/** What every message of the stand-in says of itself. */
export const STAND_IN =
  'Nothing was sent: this stand-in for mail only writes what would have been.';

/**
 * Writes each message as an `.eml` file into a folder instead of sending it: nothing leaves this place.
 * The file is there whole or not at all.
 */
export function fileMailer(folder: string): Mailer {
  const composing = nodemailer.createTransport({
    streamTransport: true,
    buffer: true,
    newline: 'windows',
  });
  let n = 0;
  return async ({ to, subject, text, attached }) => {
    await mkdir(folder, { recursive: true });
    const { message } = await composing.sendMail({
      ...{ to, subject, text, from: 'Green Tally <workshop@green-tally.invalid>' },
      headers: { 'X-Green-Tally': STAND_IN },
      attachments: attached
        ? [
            {
              filename: attached.name,
              content: Buffer.from(attached.bytes),
              contentType: 'application/pdf',
            },
          ]
        : [],
    });
    n += 1;
    const name = `${new Date().toISOString().replaceAll(':', '-')}-${process.pid}-${n}.eml`;
    const half = join(folder, `.${name}.half`);
    await writeFile(half, message as Buffer);
    await rename(half, join(folder, name));
  };
}
