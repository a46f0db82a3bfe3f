import type { OwnerReport } from '@green-tally/core/contracts/report';
import { makePaper, type MakePaper } from '../papers/make';
import type { PAPERS } from '../papers/paper';
import { photoShown } from '../photos/photos';
import type { FileStore } from '../photos/store';

/** A report as PDF, with its photos. */
export async function printed(
  { store, make = makePaper }: { readonly store: FileStore; readonly make?: MakePaper | undefined },
  report: OwnerReport,
  size: keyof typeof PAPERS,
): Promise<Uint8Array> {
  const ids = [...report.items, ...report.watch].flatMap((f) => f.photos);
  const photos = new Map<string, Uint8Array>();
  for (const id of new Set(ids)) {
    // one that was taken away since is left out
    const data = await photoShown(store, { id }, 'full').catch(() => undefined);
    if (data) photos.set(id, data);
  }
  return make({ paper: 'report', report, photos, size });
}

export const paperName = ({ machine, today }: OwnerReport): string =>
  `report-${machine.serial.replaceAll(/[^A-Za-z0-9-]+/g, '-')}-${today}.pdf`;
