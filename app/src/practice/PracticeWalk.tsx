import { asksFor, verdictIn } from '@green-tally/core/practice';
import { DECISION_WORDS } from '@green-tally/core/verdict';
import {
  Body,
  Card,
  DecisionBadge,
  Go,
  HeadRow,
  Press,
  Quiet,
  Row,
  Screen,
  Strong,
  Title,
} from '../ui';
import { useState } from 'react';
import { CHOICE_WORDS } from './words';
import type { Practising } from './usePractice';

/** What is to be measured, how far it has come, and the time it took. */
export function PracticeWalk({ on }: { on: Practising }) {
  const { game, play, leave } = on;
  const [sure, setSure] = useState(false);
  const { checks } = game.sheet;
  const open = checks.filter((c) => !play.decided[c.id]).length;
  return (
    <Screen
      testID="practice walk"
      title="Practice"
      footer={
        <Go to="/practice?at=plan" label="Plan the work">
          <Card edge={open ? 'line' : 'pine'} testID="to plan">
            <Strong tone="pine">
              {open ? `Plan the work ›  ${open} not decided` : 'Plan the work ›'}
            </Strong>
          </Card>
        </Go>
      }
    >
      <HeadRow back={{ to: '/more', title: 'More', label: 'Back to all settings' }}>
        <Quiet testID="practice minutes">{`${play.minutes} of ${game.minutes} min`}</Quiet>
      </HeadRow>
      <Title>{`Practice: ${game.title.toLowerCase()}`}</Title>
      <Body>
        {`Harvest begins on 30 June. For the work there are ${game.spec.days === 1 ? 'one day' : `${game.spec.days} days`} of ${game.spec.hours} hours. Measure each, and decide.`}
      </Body>
      {checks.map((check) => {
        const verdict = verdictIn(game, play, check);
        const decided = play.decided[check.id];
        return (
          <Go
            key={check.id}
            to={`/practice?at=${check.id}`}
            label={`${check.component}: ${decided ? CHOICE_WORDS[decided] : verdict ? DECISION_WORDS[verdict.decision] : 'not measured'}`}
          >
            <Card testID={`practice ${check.id}`}>
              <Row apart>
                <Strong>{check.component}</Strong>
                {verdict && play.readings.some((r) => r.checkId === check.id) ? (
                  <DecisionBadge decision={verdict.decision} />
                ) : null}
              </Row>
              <Quiet>
                {decided
                  ? `you: ${CHOICE_WORDS[decided].toLowerCase()}${verdict && !asksFor(verdict) ? ', though it asks to look again' : ''}`
                  : check.measures}
              </Quiet>
            </Card>
          </Go>
        );
      })}
      <Press
        small
        title={sure ? 'Tap again: this try is dropped' : 'Give up this try'}
        fill={sure ? 'rust' : undefined}
        testID="give up"
        onPress={() => (sure ? leave() : setSure(true))}
      />
    </Screen>
  );
}
