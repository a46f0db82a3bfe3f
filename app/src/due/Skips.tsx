import { useState } from 'react';
import { View } from 'react-native';
import { mayDo } from '@green-tally/core/rights';
import { skipKey, type Standing } from '@green-tally/core/plan';
import type { CheckVerdict, PlaceVerdict } from '@green-tally/core/verdict';
import { headSentence } from '@green-tally/core/verdict';
import { useSession, useTick } from '../store';
import { Card, Heading, Notice, Press, Quiet, Rule, Strong, TextEntry } from '../ui';

/** Checks that were skipped: a planner accepts each with a word of why, or it is measured. */
export function Skips({ machineId, standing }: { machineId: string; standing: Standing }) {
  const { data: session } = useSession();
  const tick = useTick(machineId);
  const asked = new Set(standing.missing.find((m) => m.id === 'acceptSkips')?.checks ?? []);
  const skipped = standing.verdicts.filter((v) => asked.has(v.check.id));
  const planner = session?.person ? mayDo(session.person.role, 'planVisits') : false;
  if (!skipped.length) return null;
  return (
    <Card edge="violet" testID="skips">
      <Heading>{`Skipped: ${skipped.length}`}</Heading>
      <Quiet>
        {planner
          ? 'Accept it with a word of why, or have it measured.'
          : 'A planner accepts a skip, or it is measured.'}
      </Quiet>
      {tick.trouble ? <Notice tone="rust" title="Not kept" text={tick.trouble} /> : null}
      {skipped.map((v) => (
        <Skipped
          key={v.check.id}
          verdict={v}
          planner={planner}
          onAccept={async (why) => {
            for (const p of skippedPlaces(v))
              await tick.run(skipKey(v.check.id, p.readingIds), true, why);
          }}
        />
      ))}
    </Card>
  );
}

const skippedPlaces = ({ places }: CheckVerdict): PlaceVerdict[] =>
  places.filter((p) => p.findings.some((f) => f.id === 'skipped'));

interface SkippedProps {
  readonly verdict: CheckVerdict;
  readonly planner: boolean;
  readonly onAccept: (why: string) => Promise<void>;
}

function Skipped({ verdict, planner, onAccept }: SkippedProps) {
  const [why, setWhy] = useState('');
  const { check } = verdict;
  return (
    <View>
      <Rule />
      <Strong>{check.component}</Strong>
      <Quiet>{headSentence(check, skippedPlaces(verdict)[0]?.findings ?? [])}</Quiet>
      {planner ? (
        <>
          <TextEntry
            label={`Why ${check.component.toLowerCase()} may go unread`}
            value={why}
            onChange={setWhy}
            hint="renewed last autumn"
          />
          <Press
            title="Accept the skip"
            label={`Accept the skip: ${check.component}`}
            disabled={!why.trim()}
            onPress={() => void onAccept(why)}
            small
          />
        </>
      ) : null}
    </View>
  );
}
