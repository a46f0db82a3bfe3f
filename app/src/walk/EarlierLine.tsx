import { useMemo } from 'react';
import { View } from 'react-native';
import type { Check, MachineFile } from '@green-tally/core/contracts';
import { earlierOf, type Earlier } from '@green-tally/core/earlier';
import { Quiet } from '../ui';
import { dayWords, monthWords } from '../yard/words';

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
    <View testID="earlier">
      {earlier.map((e) => (
        <Quiet key={e.when}>{earlierWords(e)}</Quiet>
      ))}
      {earlier.length ? null : <Quiet>Never read before on this machine.</Quiet>}
    </View>
  );
}

const NAMES: Readonly<Record<Earlier['when'], string>> = {
  last: 'Last',
  yearAgo: 'Season before',
};

/** "Last: 36.5 mm · Bram Tolley, 3 Jun"; the month and year of a season before */
const earlierWords = ({ when, on, by, said }: Earlier): string =>
  `${NAMES[when]}: ${said.join('; ')} · ${[by, when === 'last' ? dayWords(on) : monthWords(on)].filter(Boolean).join(', ')}`;
