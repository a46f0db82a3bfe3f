import type { Check, MachineFile, Reading, Walk } from '@green-tally/core/contracts';
import { saidOf } from '@green-tally/core/earlier';
import { byPlace, inForce, inTime, takenByTwo } from '@green-tally/core/history';
import { Body, Buttons, Card, Heading, Notice, Press, Quiet, Strong } from '../ui';
import { momentWords } from '../yard/words';
import { useStrike } from './useStrike';

interface BothTookProps {
  readonly file: MachineFile;
  readonly walk: Walk;
  readonly check: Check;
  /** this walk's live readings of the check */
  readonly own: readonly Reading[];
}

/**
 * Two people took the same check in one walk, each without knowing of the other: both are shown, and
 * one says which is right. Until then nothing holds where they differ.
 */
export function BothTook({ file, walk, check, own }: BothTookProps) {
  const strike = useStrike(file, walk.id);
  const both = [...byPlace(inTime(own))].flatMap(([place, readings]) => {
    const state = inForce(readings);
    const taken = takenByTwo(state);
    return taken ? [{ place, state, ...taken }] : [];
  });
  if (!both.length) return null;
  const differ = both.some((b) => b.differ);
  return (
    <Card edge={differ ? 'violet' : 'line'} testID="both took">
      <Heading>{differ ? 'Two of you read it, differently' : 'Two of you read it'}</Heading>
      {both.map(({ place, state, takes }) => (
        <Card key={place}>
          {check.places.length > 1 ? <Strong>{place}</Strong> : null}
          {takes.map((r) => (
            <Body key={r.id}>{`${r.by}, ${momentWords(r.takenAt)}: ${saidOf(check, r)}`}</Body>
          ))}
          <Buttons>
            {takes.map((r) => (
              <Press
                key={r.id}
                title={`${r.by}’s is right`}
                label={`${r.by}’s is right${check.places.length > 1 ? `, ${place}` : ''}`}
                loading={strike.busy}
                onPress={() =>
                  void strike.run(
                    state.filter((s) => s.by !== r.by),
                    `Read by two: ${r.by}’s is right`,
                  )
                }
                small
              />
            ))}
          </Buttons>
        </Card>
      ))}
      <Quiet>{differ ? howItCounts(check) : 'They agree: both may stand.'}</Quiet>
      {strike.trouble ? (
        <Notice tone="rust" title="Not stored on this device" text={strike.trouble} />
      ) : null}
    </Card>
  );
}

const howItCounts = ({ kind }: Check): string =>
  kind === 'measure' || kind === 'series'
    ? 'While both stand they are repeats of one reading: their median counts, and their spread is in the ±.'
    : 'While both stand nothing holds by either. The other one is struck through and stays in sight.';
