import { debrief, type CaseSpec, type CheckDebrief } from '@green-tally/core/practice';
import { printNumber } from '@green-tally/core/units';
import {
  Body,
  Buttons,
  Card,
  Figure,
  HeadRow,
  Heading,
  Press,
  Quiet,
  Screen,
  Strong,
  Title,
} from '../ui';
import { CHOICE_WORDS } from './words';
import type { Practising } from './usePractice';

interface DebriefingProps {
  readonly on: Practising;
  readonly onAgain: (spec: CaseSpec) => void;
}

/** A try, looked at afterwards: what was right, what was missed, what it would have cost, which reading would have told. */
export function Debriefing({ on, onAgain }: DebriefingProps) {
  const { game, play, leave } = on;
  const found = debrief(game, play);
  const { parts, minutes } = found;
  const missed = found.checks.filter((c) => c.told);
  const money = (sum: number) => `${Math.round(sum).toLocaleString('en')} crowns`;
  return (
    <Screen
      testID="debrief"
      title="Looking back"
      footer={
        <Buttons>
          <Press title="This machine again" testID="again" onPress={() => onAgain(play.spec)} />
          <Press fill="pine" title="Another" testID="another" onPress={leave} />
        </Buttons>
      }
    >
      <HeadRow back={{ to: '/more', title: 'More', label: 'Back to all settings' }} />
      <Title>{`Looking back: ${game.title.toLowerCase()}`}</Title>
      <Card edge={missed.length ? 'rust' : 'pine'}>
        <Figure testID="score">{`${found.score} of 100`}</Figure>
        <Quiet>
          {`decisions ${printNumber(parts.decisions, 0)} of 55 · proof ${printNumber(parts.evidence, 0)} of 20 · plan ${printNumber(parts.plan, 0)} of 15 · time ${printNumber(parts.time, 0)} of 10`}
        </Quiet>
        <Body>
          {found.most > 0
            ? `Your plan keeps ${money(found.saved)} of ${money(found.most)} that harvest would have taken.`
            : 'Nothing of this machine wanted a day of work.'}
        </Body>
        {found.lost > 0 ? (
          <Strong tone="rust">{`What was missed costs ${money(found.lost)}.`}</Strong>
        ) : null}
        <Quiet>{`The walk took ${minutes.taken} of ${minutes.given} minutes.`}</Quiet>
      </Card>
      {missed.length ? <Heading>What was missed</Heading> : <Heading>Nothing was missed</Heading>}
      {missed.map((c) => (
        <Missed key={c.check.id} of={c} cost={c.cost > 0 ? money(c.cost) : ''} />
      ))}
      <Heading>What was right</Heading>
      {found.checks
        .filter((c) => !c.told)
        .map((c) => (
          <Quiet
            key={c.check.id}
          >{`${c.check.component}: ${CHOICE_WORDS[c.wanted].toLowerCase()}`}</Quiet>
        ))}
    </Screen>
  );
}

function Missed({ of, cost }: { of: CheckDebrief; cost: string }) {
  const { check, wanted, chosen, told, trap } = of;
  return (
    <Card edge="rust" testID={`missed ${check.id}`}>
      <Strong>{check.component}</Strong>
      <Quiet>
        {`you: ${chosen ? CHOICE_WORDS[chosen].toLowerCase() : 'nothing'}; it wanted: ${CHOICE_WORDS[wanted].toLowerCase()}`}
      </Quiet>
      <Body {...(trap && chosen ? { testID: `trap ${trap}` } : {})}>{told}</Body>
      {cost ? <Strong tone="rust">{cost}</Strong> : null}
    </Card>
  );
}
