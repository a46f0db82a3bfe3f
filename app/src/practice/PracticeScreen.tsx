import { useLocalSearchParams, useRouter } from 'expo-router';
import { caseOfText } from '@green-tally/core/practice';
import { Body, HeadRow, Notice, Press, Screen, Title } from '../ui';
import { Debriefing } from './Debriefing';
import { PlanDays } from './PlanDays';
import { PracticeCheck } from './PracticeCheck';
import { PracticeWalk } from './PracticeWalk';
import { Start } from './Start';
import { usePractice } from './usePractice';

/** A machine to learn on: measured, decided, planned, and looked at afterwards. Nothing of it is real, nothing is sent. */
export function PracticeScreen() {
  const router = useRouter();
  const { at = '', case: linked } = useLocalSearchParams<Record<string, string>>();
  const { practising, scores, begin } = usePractice();
  if (linked !== undefined) {
    const spec = caseOfText(linked);
    return (
      <Screen title="Practice" testID="practice case">
        <HeadRow back={{ to: '/practice', title: 'Practice', label: 'Back to practice' }} />
        <Title>A case to practise</Title>
        {spec ? (
          <>
            <Body>
              {practising && !practising.play.finished
                ? 'A try is under way on this device. Beginning this one ends it without a score.'
                : 'Somebody set this machine for you. Measure it, decide, plan.'}
            </Body>
            <Press
              fill="pine"
              title="Begin"
              testID="begin linked"
              onPress={() => {
                begin(spec);
                router.replace('/practice');
              }}
            />
          </>
        ) : (
          <Notice
            alone
            title="This link holds no case"
            text="It was cut off or changed. Ask for it again."
          />
        )}
      </Screen>
    );
  }
  if (!practising) return <Start scores={scores} onBegin={begin} />;
  if (practising.play.finished) return <Debriefing on={practising} onAgain={begin} />;
  if (at === 'plan') return <PlanDays on={practising} />;
  const check = practising.game.sheet.checks.find((c) => c.id === at);
  return check ? (
    <PracticeCheck key={check.id} on={practising} check={check} />
  ) : (
    <PracticeWalk on={practising} />
  );
}
