import { useState, type ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import type { CheckKind, Decision, Reading } from '@green-tally/core/contracts';
import { needsHand, type FindingId } from '@green-tally/core/findings';
import type { MachineFacts } from '@green-tally/core/kinds';
import type { CheckVerdict } from '@green-tally/core/verdict';
import type { Action } from '../store';
import { Buttons, Press, Quiet, Screen, Soon } from '../ui';
import { CheckTitle, WhyCard } from './CheckParts';
import type { Wish } from './checkStep';
import { VerdictCard } from './VerdictCard';
import { WhichPlaces, type Asked } from './WhichPlaces';

/** What may be begun from a verdict; when it begins is noted by who hears it. */
export type Beginning = Omit<Wish, 'since'>;

interface VerdictStepProps {
  readonly head: ReactNode;
  readonly photos: ReactNode;
  /** what two people read of it, before the verdict */
  readonly both: ReactNode;
  /** what else can be taken while it is at hand */
  readonly beside: ReactNode;
  readonly verdict: CheckVerdict;
  readonly facts: MachineFacts;
  readonly otherwise: ReactNode;
  /** this walk's live readings of the check */
  readonly own: readonly Reading[];
  readonly work: {
    readonly proposed: boolean;
    readonly accepted: boolean;
    readonly add: Action<[]>;
  };
  readonly begin: (wish: Beginning) => void;
  readonly next: {
    readonly last: boolean;
    /** how the machine has to stand for it, where it does not */
    readonly change: string;
    readonly go: () => void;
  };
}

/**
 * The verdict, and what may be done about it: put it right, measure again, take it into work, say
 * that it was wrong.
 */
export function VerdictStep(props: VerdictStepProps) {
  const { head, photos, both, beside, verdict, facts, otherwise, own, begin, next } = props;
  const { check, decision } = verdict;
  const fix = FIX[decision];
  const again = decision === 'remeasure' || decision === 'due';
  const mendable = decision === 'replace' && found(verdict, 'damaged');
  const doubted = own.find((r) => r.tool?.outOfDate)?.tool;
  const [asked, setAsked] = useState<Asked>();
  const ask = (what: Asked) => {
    const [only] = check.places;
    if (check.places.length > 1 || !only) return setAsked(what);
    begin(WISHES[what]([only], verdict, own));
  };
  return (
    <Screen
      testID="check verdict"
      title={check.component}
      head={head}
      footer={
        <>
          {next.change ? <Quiet>{`Next: ${next.change}`}</Quiet> : null}
          {fix ? (
            <Press
              single
              fill={fix.fill}
              title={fix.title}
              testID="put right"
              onPress={() => begin(puttingRight(verdict))}
            />
          ) : null}
          {mendable ? (
            <Press
              single
              title="Repaired, not renewed: measure as left"
              testID="repaired"
              onPress={() => begin({ ...puttingRight(verdict), renewed: false, repaired: true })}
              small
            />
          ) : null}
          {again ? (
            <Press
              single
              fill="violet"
              title={decision === 'due' ? 'Read it' : 'Measure again'}
              testID="measure again"
              onPress={() => begin(measuringAgain(verdict))}
            />
          ) : null}
          <Beside {...props} ask={ask} loud={Boolean(fix) || again} />
        </>
      }
    >
      <CheckTitle check={check} />
      {asked ? (
        <WhichPlaces
          asked={asked}
          places={check.places}
          onChosen={(places) => begin(WISHES[asked](places, verdict, own))}
          onNone={() => setAsked(undefined)}
        />
      ) : null}
      {both}
      <VerdictCard verdict={verdict} facts={facts} otherwise={otherwise} />
      {doubted ? (
        <Quiet testID="doubted tool">{`Read with ${doubted.name}: its calibration is out of date, so its ± counts twice.`}</Quiet>
      ) : null}
      <Soon>
        {beside}
        {photos}
        <WhyCard check={check} />
      </Soon>
    </Screen>
  );
}

interface BesideProps extends VerdictStepProps {
  readonly ask: (what: Asked) => void;
  /** something is to be done first */
  readonly loud: boolean;
}

/** What may be done beside what the verdict asks for; the next check. */
function Beside({ verdict: { check, decision }, own, work, next, ask, loud }: BesideProps) {
  const measured = own.some((r) => r.value.kind !== 'skip' && r.value.kind !== 'look');
  return (
    <Buttons>
      {work.proposed ? (
        <Press
          single
          style={styles.third}
          title={work.accepted ? 'In work' : 'Add to work'}
          disabled={work.accepted}
          loading={work.add.busy}
          onPress={() => void work.add.run()}
          small
        />
      ) : null}
      {measured ? (
        <Press
          single
          style={styles.third}
          title="It was wrong"
          label="The reading was wrong: strike it and measure again"
          onPress={() => ask('wrong')}
          small
        />
      ) : null}
      {measured && decision !== 'replace' && TAKES_PARTS.includes(check.kind) ? (
        <Press
          single
          style={styles.third}
          title="Renewed"
          label="A new one was fitted all the same: measure it as left"
          testID="renewed anyway"
          onPress={() => ask('renewed')}
          small
        />
      ) : null}
      <Press
        single
        style={styles.third}
        title={next.last ? 'To the walk ›' : 'Next ›'}
        testID="next check"
        onPress={next.go}
        fill={loud ? undefined : 'pine'}
        small
      />
    </Buttons>
  );
}

/** Kinds of check that a part stands behind. */
const TAKES_PARTS: readonly CheckKind[] = [
  'measure',
  'series',
  'mark',
  'feel',
  'count',
  'gonogo',
  'condition',
];

const FIX: Partial<Record<Decision, { readonly title: string; readonly fill: 'blue' | 'rust' }>> = {
  adjust: { title: 'Adjust now, then measure as left', fill: 'blue' },
  shorten: { title: 'Shorten now, then measure as left', fill: 'blue' },
  turn: { title: 'Turn now, then count as left', fill: 'rust' },
  replace: { title: 'Renew now, then measure as left', fill: 'rust' },
};

const needy = ({ places }: CheckVerdict): string[] =>
  places.filter((p) => needsHand(p.decision)).map((p) => p.place);

const found = ({ places }: CheckVerdict, ...ids: FindingId[]): boolean =>
  places.some((p) => p.findings.some((f) => ids.includes(f.id)));

function puttingRight(verdict: CheckVerdict): Beginning {
  const links = verdict.places.map(
    (p) => p.plan?.choices.find((c) => c.action === 'shorten' && c.fits)?.linksOut ?? 0,
  );
  return {
    state: 'asLeft',
    places: needy(verdict),
    strike: false,
    renewed: verdict.decision === 'replace',
    repaired: verdict.decision === 'turn' || found(verdict, 'putRight'),
    linksOut: verdict.decision === 'shorten' ? Math.max(1, ...links) : 0,
  };
}

/** As found, at the places that are in doubt and at those that were never read. */
const measuringAgain = (verdict: CheckVerdict): Beginning => ({
  state: 'asFound',
  places: [
    ...needy(verdict),
    ...verdict.places.filter((p) => p.decision === 'due').map((p) => p.place),
    ...verdict.unmeasured,
  ],
  strike: false,
  renewed: false,
  repaired: false,
  linksOut: 0,
});

const WISHES: Readonly<
  Record<
    Asked,
    (places: readonly string[], verdict: CheckVerdict, own: readonly Reading[]) => Beginning
  >
> = {
  wrong: correcting,
  renewed: (places) => ({
    state: 'asLeft',
    places,
    strike: false,
    renewed: true,
    repaired: false,
    linksOut: 0,
  }),
};

/**
 * The newest reading of its state is struck through; a chain that was shortened with it stays
 * shortened.
 */
function correcting(
  places: readonly string[],
  verdict: CheckVerdict,
  own: readonly Reading[],
): Beginning {
  const here = verdict.places.filter((p) => places.includes(p.place));
  const state = here.some((p) => p.state === 'asLeft') ? 'asLeft' : 'asFound';
  const links = own.map((r) =>
    r.state === state && r.value.kind === 'travel' ? r.value.linksOut : 0,
  );
  return {
    state,
    places,
    strike: true,
    renewed: false,
    repaired: false,
    linksOut: Math.max(0, ...links),
  };
}

// as wide as their words ask: with large letters they go one under the other
const styles = StyleSheet.create({ third: { flexGrow: 1, flexBasis: 'auto' } });
