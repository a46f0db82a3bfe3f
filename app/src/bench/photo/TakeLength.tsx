import { isMeasured } from '@green-tally/core/benchFor';
import type { Check } from '@green-tally/core/contracts';
import { photoTool } from '@green-tally/core/tools';
import { printNumber } from '@green-tally/core/units';
import type { Known } from '../../machine/WithMachine';
import { useAction, useClock, useSession } from '../../store';
import { usePhotoTool } from '../../store/photoTool';
import { Notice } from '../../ui';
import { takePhoto } from '../../walk/photos/takePhoto';
import { TakeBack, useEntryOf } from '../TakeToCheck';
import { dropPhoto } from './keptPhoto';
import type { PhotoMeasure } from './usePhotoMeasure';

/** The length goes to the check it came from, with its ±, and the photo with it. */
export function TakeLength({ known, check, on }: { known: Known; check: Check; on: PhotoMeasure }) {
  const entry = useEntryOf(known, check);
  const photoOf = usePhotoTool(entry.draft);
  const clock = useClock();
  const { data: session } = useSession();
  const { length, photo } = on;
  const text =
    length && isMeasured(check)
      ? printNumber(length.length / (check.unit === 'in' ? 25.4 : 1), 3)
      : undefined;
  const take = useAction(async () => {
    if (!length || !photo || text === undefined || !isMeasured(check)) return;
    await takePhoto(
      photo.file,
      {
        machineId: known.file.machine.id,
        walkId: entry.open,
        checkId: check.id,
        place: '',
        by: session?.person?.name ?? '',
      },
      clock(),
    );
    photoOf.keep({ text, tool: photoTool(check, length.uncertainty) });
    entry.setText(text);
    await dropPhoto(on.key);
    on.clear();
    entry.back();
  });
  return (
    <>
      {take.trouble ? (
        <Notice tone="rust" title="Not taken to the check" text={take.trouble} />
      ) : null}
      <TakeBack
        found={
          length &&
          text &&
          `${text} ${'unit' in check ? check.unit : 'mm'} ± ${printNumber(length.uncertainty, 2)} mm`
        }
        entry={entry}
        busy={take.busy}
        onTake={() => void take.run()}
      />
    </>
  );
}
