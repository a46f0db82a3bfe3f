import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import {
  KNIFE_STATES,
  knifeWork,
  placeWords,
  planMoves,
  planWords,
  hangingOnBench,
  rotorOnBench,
  saysSomething,
  weightsOf,
  weightsText,
  type BenchOutcome,
  type BenchTexts,
  type KnifeState,
} from '@green-tally/core/bench';
import { permissibleUnbalance, unbalance, type Rotor } from '@green-tally/core/knives';
import { printNumber } from '@green-tally/core/units';
import { Body, Buttons, Card, Choice, Heading, Notice, Press, Quiet, TextEntry } from '../../ui';
import { AddPlan, type OfCheck } from '../AddPlan';
import { KnifeMap } from './KnifeMap';
import { Planes } from './Planes';
import { usePlan, type School } from './usePlan';

interface KnivesCardProps {
  readonly texts: BenchTexts;
  readonly outcome: BenchOutcome;
  /** what is missing to reckon with it, in words */
  readonly lacks: string;
  readonly type: (id: string, text: string) => void;
  /** the check it was opened from: its plan can be taken into work */
  readonly of: OfCheck | undefined;
}

/** Every knife and how it is, how the rotor shakes, and the fewest new knives that put it right. */
export function KnivesCard({ texts, outcome, lacks, type, of }: KnivesCardProps) {
  const [renewed, setRenewed] = useState<readonly number[]>([]);
  const rotor = useMemo(() => rotorOnBench(texts, outcome), [texts, outcome]);
  const hanging = hangingOnBench(texts, outcome);
  if (!hanging) return <Quiet>Enter how many rows and places there are; then it is drawn.</Quiet>;
  const said = saysSomething(texts['states'] ?? '', texts['weights'] ?? '');
  return (
    <>
      <Hanging
        {...hanging}
        weights={weightsOf(texts['weights'] ?? '')}
        renewed={rotor && said ? renewed : NONE}
        type={type}
      />
      <Card testID="knife plan">
        {rotor && said ? (
          <PlanOf
            rotor={rotor}
            along={hanging.along}
            set={outcome.values['set'] ?? 1}
            onPlan={setRenewed}
            of={of}
          />
        ) : (
          <Quiet>{said ? lacks : 'Nothing is said of any knife yet.'}</Quiet>
        )}
      </Card>
    </>
  );
}

const NONE: readonly number[] = [];

interface HangingProps extends Pick<KnivesCardProps, 'type'> {
  readonly along: number;
  readonly states: readonly KnifeState[];
  readonly weights: ReadonlyMap<number, number>;
  readonly renewed: readonly number[];
}

/** The rotor unrolled, and the knife that was tapped. */
function Hanging({ along, states, weights, renewed, type }: HangingProps) {
  const [chosen, setChosen] = useState<number>();
  const state = chosen === undefined ? undefined : states[chosen];
  return (
    <Card>
      <KnifeMap
        states={states}
        along={along}
        chosen={chosen}
        renewed={renewed}
        onChoose={setChosen}
      />
      {chosen === undefined || !state ? (
        <Quiet>Tap a knife and say how it is.</Quiet>
      ) : (
        <OneKnife
          key={chosen}
          words={placeWords(chosen, along)}
          state={state}
          weight={weights.get(chosen)}
          onState={(next) =>
            type('states', states.map((s, i) => (i === chosen ? next : s)).join(''))
          }
          onWeight={(text) => type('weights', weighed(weights, chosen, text))}
          onStep={(by) => setChosen((chosen + by + states.length) % states.length)}
        />
      )}
    </Card>
  );
}

interface PlanOfProps {
  readonly rotor: Rotor;
  readonly along: number;
  readonly set: number;
  /** hears which places it renews, to be drawn on the rotor */
  readonly onPlan: (renewed: readonly number[]) => void;
  readonly of: OfCheck | undefined;
}

/** How the rotor shakes, and the plan that puts it right. */
function PlanOf({ rotor, along, set, onPlan, of }: PlanOfProps) {
  const [school, setSchool] = useState<School>('opposite');
  const planned = usePlan(rotor, school);
  const plan = planned?.plan;
  useEffect(() => onPlan(plan?.renew ?? NONE), [plan, onPlan]);
  return (
    <>
      <Planes {...shakes(rotor)} after={plan?.after} />
      <Choice
        label="What the shop renews"
        value={school}
        onChange={setSchool}
        options={[
          { value: 'opposite', title: 'Mates together' },
          { value: 'weigh', title: 'Weigh and place' },
        ]}
      />
      {planned?.trouble ? (
        <Notice tone="rust" title="No plan" text={planned.trouble} />
      ) : plan ? (
        <>
          <PlanLines plan={plan} along={along} set={set} />
          {of ? <AddPlan {...of} plan={knifeWork(plan, along)} /> : null}
        </>
      ) : (
        <Quiet>Looking for the fewest new knives…</Quiet>
      )}
    </>
  );
}

/** The weights with what was typed for a place; nothing that is no number is kept. */
function weighed(weights: ReadonlyMap<number, number>, place: number, text: string): string {
  const next = new Map(weights);
  const grams = Number(text.replace(',', '.'));
  if (text.trim() && Number.isFinite(grams)) next.set(place, grams);
  else next.delete(place);
  return weightsText(next);
}

/** How a rotor shakes as it is, and what is permitted. */
const shakes = (rotor: Rotor) => ({
  before: unbalance(
    rotor.knives.map((k) => k.mass - rotor.newMass),
    rotor.knives,
    rotor.planes,
  ),
  ...permissibleUnbalance(rotor.grade ?? 16, rotor.mass, rotor.rpm),
});

interface OneKnifeProps {
  readonly words: string;
  readonly state: KnifeState;
  readonly weight: number | undefined;
  readonly onState: (state: KnifeState) => void;
  readonly onWeight: (text: string) => void;
  readonly onStep: (by: 1 | -1) => void;
}

function OneKnife({ words, state, weight, onState, onWeight, onStep }: OneKnifeProps) {
  const [text, setText] = useState(weight === undefined ? '' : printNumber(weight, 1));
  return (
    <View testID="one knife">
      <Choice
        label={words}
        value={state}
        onChange={onState}
        options={(Object.keys(KNIFE_STATES) as KnifeState[]).map((s) => ({
          value: s,
          title: KNIFE_STATES[s].title,
        }))}
      />
      <TextEntry
        label="Weighed, g"
        numeric
        value={text}
        hint="empty: by its height"
        onChange={(t) => {
          setText(t);
          onWeight(t);
        }}
      />
      <Buttons>
        <Press small title="‹ Knife before" onPress={() => onStep(-1)} />
        <Press small title="Next knife ›" testID="next knife" onPress={() => onStep(1)} />
      </Buttons>
    </View>
  );
}

interface PlanLinesProps {
  readonly plan: NonNullable<NonNullable<ReturnType<typeof usePlan>>['plan']>;
  readonly along: number;
  readonly set: number;
}

function PlanLines({ plan, along, set }: PlanLinesProps) {
  const [open, setOpen] = useState(false);
  const { head, text } = planWords(plan, set);
  const moves = planMoves(plan, along);
  return (
    <>
      <Heading>{head}</Heading>
      <Body testID="knife plan words">{text}</Body>
      {moves.length ? (
        <Press
          small
          title={open ? 'Hide the moves' : 'Show the moves'}
          testID="show moves"
          onPress={() => setOpen(!open)}
        />
      ) : null}
      {open ? moves.map((m, i) => <Body key={m}>{`${i + 1}. ${m}`}</Body>) : null}
    </>
  );
}
