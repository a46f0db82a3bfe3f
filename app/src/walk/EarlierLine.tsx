import { useMemo } from 'react';
import { View } from 'react-native';
import type { Check, MachineFile } from '@green-tally/core/contracts';
import { printHours } from '@green-tally/core/units';
import { earlierOf, type Earlier } from '@green-tally/core/earlier';
import { Quiet, SPACE } from '../ui';
import { yearWords } from '../yard/words';

interface EarlierLineProps {
  readonly file: MachineFile;
  readonly check: Check;
  readonly walkId: string;
}

/** How the check stood when it was last read, and a season ago: said beside every entry. */
export function EarlierLine({ file: { machine, readings }, check, walkId }: EarlierLineProps) {
  const seasonStart = machine.harvest.start;
  const earlier = useMemo(
    () => earlierOf(check, readings, { walkId, seasonStart }),
    [check, readings, walkId, seasonStart],
  );
  return (
    <View style={{ gap: SPACE.xs }} testID="earlier">
      {earlier.map((e) => (
        <Quiet key={e.when}>{earlierWords(e)}</Quiet>
      ))}
      {earlier.length ? null : <Quiet>Never read before on this machine.</Quiet>}
    </View>
  );
}

const NAMES: Readonly<Record<Earlier['when'], string>> = {
  last: 'Last time',
  yearAgo: 'The season before',
};

/** "Last time: 36.5 mm (3 Jun 2026, 1,204 h, Bram Tolley)" */
const earlierWords = ({ when, on, hours, by, said }: Earlier): string =>
  `${NAMES[when]}: ${said.join('; ')} (${[yearWords(on), printHours(hours), by].filter(Boolean).join(', ')})`;
