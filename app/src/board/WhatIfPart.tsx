import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { PlanFares, WhatIf } from '@green-tally/core/contracts';
import { printAmount } from '@green-tally/core/units';
import { usePlanSearch } from './hooks';
import { chanceWords } from '../yard/words';
import { Buttons, Card, Choice, Notice, Press, Quiet, SPACE, Strong, TextEntry } from '../ui';
import { likelyWords, whatIfWords } from './words';
import { LateList, Searched } from './SearchPart';
import type { Desk } from './useDesk';

type Kind = WhatIf['kind'];
const KINDS: readonly { readonly value: Kind; readonly title: string }[] = [
  { value: 'earlier', title: 'Harvest earlier' },
  { value: 'away', title: 'Somebody away' },
  { value: 'partLate', title: 'A part late' },
  { value: 'extraDay', title: 'An extra day' },
  { value: 'down', title: 'A machine down' },
];

/** What if: the published plan as it would fare, and the best that could be made of it. */
export function WhatIfPart({ desk }: { desk: Desk }) {
  const [asked, setAsked] = useState<readonly WhatIf[]>([]);
  const { data: search, again } = usePlanSearch(desk.search);
  const own = search?.wish.whatIf.length ? search : undefined;
  return (
    <>
      {own ? (
        <>
          <Card testID="what if">
            <Strong>{`If ${own.wish.whatIf.map((w) => whatIfWords(desk.page, w)).join(' and ')}:`}</Strong>
            {own.before && own.after ? (
              <Compared before={own.before} after={own.after} currency={desk.page.currency} />
            ) : (
              <Quiet>Looking.</Quiet>
            )}
          </Card>
          <Searched desk={desk} search={own} again={again} />
        </>
      ) : null}
      <Ask desk={desk} onAsk={(what) => setAsked([...asked, what])} />
      {asked.length ? (
        <Card testID="asked">
          {asked.map((what, i) => (
            <Strong key={i}>{whatIfWords(desk.page, what)}</Strong>
          ))}
          {desk.look.trouble ? (
            <Notice tone="rust" title="This cannot be asked" text={desk.look.trouble} />
          ) : null}
          <Buttons>
            <Press
              fill="pine"
              small
              title="What then?"
              testID="what then"
              disabled={!desk.may}
              loading={desk.look.busy}
              onPress={() =>
                void desk.look.run({ objective: 'dates', seconds: 3, whatIf: [...asked] })
              }
            />
            <Press small title="Ask otherwise" onPress={() => setAsked([])} />
          </Buttons>
        </Card>
      ) : null}
    </>
  );
}

interface ComparedProps {
  readonly before: PlanFares;
  readonly after: PlanFares;
  readonly currency: string | null;
}

/** The plan as published and the best other one, on the same draws of luck. */
function Compared({ before, after, currency }: ComparedProps) {
  const worse = before.ready.filter(
    (r) => r.chance < (after.ready.find((a) => a.machineId === r.machineId)?.chance ?? 0) - 0.02,
  );
  const money = (loss: number) => `${printAmount(Math.round(loss))} ${currency ?? ''}`.trim();
  return (
    <View style={styles.stack}>
      <Strong>As published</Strong>
      <Quiet>{`With it, ${likelyWords(before.ready.map((r) => r.chance))}; lateness may cost ${money(before.loss)}.`}</Quiet>
      <LateList late={before.late} title="Late then" />
      {before.late.length ? null : <Quiet>No visit would be late.</Quiet>}
      <Strong>Planned anew</Strong>
      <Quiet>{`With it, ${likelyWords(after.ready.map((r) => r.chance))}; lateness may cost ${money(after.loss)}.`}</Quiet>
      {worse.length ? (
        <Quiet>
          {`More likely in time then: ${worse
            .map(
              (r) =>
                `${r.serial} ${chanceWords(r.chance)} → ${chanceWords(after.ready.find((a) => a.machineId === r.machineId)?.chance ?? 0)}`,
            )
            .join(', ')}.`}
        </Quiet>
      ) : null}
    </View>
  );
}

/** One thing that may come otherwise than was thought. */
function Ask({ desk, onAsk }: { desk: Desk; onAsk: (what: WhatIf) => void }) {
  const { page } = desk;
  const [kind, setKind] = useState<Kind>('earlier');
  const [of, setOf] = useState<string>();
  const [days, setDays] = useState('5');
  const [from, setFrom] = useState(page.today);
  const [to, setTo] = useState(page.today);
  const options = choicesOf(desk, kind);
  const value = of !== undefined && options.some((o) => o.value === of) ? of : options[0]?.value;
  const what = whatOf(kind, { of: value, days, from, to });
  return (
    <Card>
      <Choice label="What if" value={kind} onChange={setKind} options={KINDS} />
      {options.length ? (
        <Choice label={OF[kind]} value={value} onChange={setOf} options={options} />
      ) : null}
      {kind === 'partLate' && !options.length ? <Quiet>No visit waits for a part.</Quiet> : null}
      {kind === 'earlier' || kind === 'partLate' ? (
        <TextEntry label="Days" numeric value={days} onChange={setDays} />
      ) : null}
      {kind === 'down' ? (
        <TextEntry label="Hours of work" numeric value={days} onChange={setDays} />
      ) : null}
      {kind === 'away' || kind === 'extraDay' ? (
        <TextEntry
          label={kind === 'away' ? 'From (year-month-day)' : 'Day (year-month-day)'}
          value={from}
          onChange={setFrom}
        />
      ) : null}
      {kind === 'away' ? (
        <TextEntry label="To (year-month-day)" value={to} onChange={setTo} />
      ) : null}
      <Press
        small
        title="Ask this"
        testID="ask this"
        disabled={!what}
        onPress={() => (what ? onAsk(what) : undefined)}
      />
    </Card>
  );
}

const OF: Readonly<Record<Kind, string>> = {
  earlier: 'Which crop',
  away: 'Who',
  partLate: 'Which part',
  extraDay: '',
  down: 'Which machine',
};
const ALL = 'all';

function choicesOf({ page }: Desk, kind: Kind): { value: string; title: string }[] {
  switch (kind) {
    case 'earlier':
      return [
        { value: ALL, title: 'All' },
        ...[...new Set(page.machines.map((m) => m.crop))].map((c) => ({ value: c, title: c })),
      ];
    case 'away':
      return page.technicians.map((t) => ({ value: t.id, title: t.name }));
    case 'partLate':
      return [...new Map(page.jobs.flatMap((j) => j.awaited).map((p) => [p.number, p.name]))].map(
        ([value, name]) => ({ value, title: name }),
      );
    case 'down':
      return page.machines.map((m) => ({ value: m.id, title: m.serial }));
    case 'extraDay':
      return [];
  }
}

interface Typed {
  readonly of: string | undefined;
  readonly days: string;
  readonly from: string;
  readonly to: string;
}
const DAY = /^\d{4}-\d\d-\d\d$/;

/** What is asked, once all of it is typed; the server says what of it cannot be. */
const whatOf = (kind: Kind, typed: Typed): WhatIf | undefined => ASKED[kind](typed);

const figure = (text: string): number => Number(text.replace(',', '.'));
const isWhole = (text: string): boolean =>
  Number.isInteger(figure(text)) && figure(text) !== 0 && text.trim() !== '';

const ASKED: Readonly<Record<Kind, (typed: Typed) => WhatIf | undefined>> = {
  earlier: ({ of, days }) =>
    isWhole(days)
      ? { kind: 'earlier', crop: of === ALL || !of ? null : of, days: figure(days) }
      : undefined,
  away: ({ of, from, to }) =>
    of && DAY.test(from) && DAY.test(to) ? { kind: 'away', technicianId: of, from, to } : undefined,
  partLate: ({ of, days }) =>
    of && isWhole(days) && figure(days) > 0
      ? { kind: 'partLate', number: of, days: figure(days) }
      : undefined,
  extraDay: ({ from }) => (DAY.test(from) ? { kind: 'extraDay', on: from } : undefined),
  down: ({ of, days }) =>
    of && figure(days) > 0 ? { kind: 'down', machineId: of, hours: figure(days) } : undefined,
};

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });
