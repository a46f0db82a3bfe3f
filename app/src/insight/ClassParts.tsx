import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type {
  ClassPage,
  ClassMachine,
  Dimension,
  InsightClass,
  InsightOf,
} from '@green-tally/core/contracts/insight';
import { printHours, printNumber } from '@green-tally/core/units';
import { download } from '../readings/download';
import { Body, Buttons, Card, Choice, Heading, Press, Quiet, Row, SPACE, Strong } from '../ui';
import { DIMENSIONS, insightHref, searchOf } from './asked';
import {
  apartWords,
  className,
  lineWords,
  machineWords,
  rateWords,
  untilWords,
} from './classWords';
import { Ranges, type RangeRow } from './Ranges';
import { SurvivalChart } from './SurvivalChart';

/** What is known of it, a line each. */
export function Facts({ page: { class: c, line } }: { page: ClassPage }) {
  const rate = c[line];
  const lines = [
    rate
      ? `${rateWords(rate.value)} ${lineWords(line)} in 100 h (${rateWords(Math.max(0, rate.low))} to ${rateWords(rate.high)}): ${untilWords(rate.value)}.`
      : 'How fast it wears is not known: it was not read twice in one life.',
    ...(c.looks
      ? [
          `A hand was put to it at ${c.hands} of ${c.looks} looks (${printNumber((100 * c.hands) / c.looks, 0)} %).`,
        ]
      : []),
    ...(c.stops
      ? [
          `It stopped machines ${c.stops === 1 ? 'once' : `${c.stops} times`}: ${printHours(c.hoursLost)} lost.`,
        ]
      : []),
    ...forecastLines(c),
  ];
  return (
    <Card>
      {lines.map((said) => (
        <Body key={said}>{said}</Body>
      ))}
    </Card>
  );
}

const forecastLines = ({ forecast: { n, happened, said } }: InsightClass): string[] =>
  n
    ? [
        `Of ${n} forecasts that have come out ${happened} came to the limit; ${printNumber(said, 1)} had been said.`,
      ]
    : [];

const isDimension = (value: string | undefined): value is Dimension =>
  DIMENSIONS.some((d) => d.value === value);

/** Where it wears faster or slower: one way of telling machines apart at a time. */
export function Where({ page, of }: { page: ClassPage; of: InsightOf }) {
  const { by: asked } = useLocalSearchParams<{ by?: string }>();
  const router = useRouter();
  if (!page.by.length) return null;
  const by = isDimension(asked) ? asked : 'crop';
  const found = page.by.find((b) => b.dimension === by);
  const mean = page.class[page.line]?.value;
  return (
    <View style={styles.stack}>
      <Heading>Where</Heading>
      <Choice
        label="By"
        value={by}
        onChange={(to) => router.setParams({ by: to })}
        options={DIMENSIONS.map(({ value, title }) => ({ value, title }))}
      />
      {found && found.groups.length > 1 ? (
        <Quiet>{`They differ by about ${printNumber(100 * found.spread, 0)} % of their mean. The line through all is the class.`}</Quiet>
      ) : (
        <Quiet>There is one only: nothing to hold it against.</Quiet>
      )}
      <Ranges
        label={DIMENSIONS.find((d) => d.value === by)?.title ?? ''}
        heads={['In 100 h', 'Between', 'Against the others']}
        base={mean}
        testID={`insight by ${by}`}
        rows={(found?.groups ?? []).map((g): RangeRow => {
          const sure = g.apart.low > 0 || g.apart.high < 0;
          const alone = (found?.groups.length ?? 0) < 2;
          return {
            ...{ key: g.group, title: g.group, value: g.value, high: g.high },
            to: insightHref(
              `/insight/${encodeURIComponent(page.class.key)}`,
              { ...of, [by]: g.group },
              { by },
            ),
            ...{ low: Math.max(0, g.low), said: rateWords(g.value) },
            range: `${rateWords(Math.max(0, g.low))} to ${rateWords(g.high)}`,
            by: `${alone ? '' : sure ? `${apartWords(g.apart.value)} · ` : 'not told apart · '}${machineWords(g.machines)}`,
          };
        })}
      />
    </View>
  );
}

/** How long parts live, as a curve and the same in figures. */
export function Lives({ page: { class: c, survival } }: { page: ClassPage }) {
  const { life } = c;
  if (!life) return null;
  return (
    <Card testID="insight life">
      <Heading>How long it lives</Heading>
      <Body>
        {life.median === null
          ? `More than half of ${life.lives} parts run still: ${life.ended} were renewed.`
          : `Half were renewed by ${printHours(life.median)}${life.low === null ? '' : ` (${printHours(life.low)} to ${life.high === null ? 'not known' : printHours(life.high)})`}; ${life.ended} of ${life.lives} parts with a known beginning were renewed.`}
        {life.worn === null
          ? ''
          : ` They were ${printNumber(100 * life.worn, 0)} % worn when they were taken out.`}
      </Body>
      {survival.length ? <SurvivalChart steps={survival} /> : null}
      {survival.length ? <Steps steps={survival} /> : null}
    </Card>
  );
}

const STEPS = 10;

/** The curve in figures: some steps evenly taken, all of them by a tap. */
function Steps({ steps }: { steps: ClassPage['survival'] }) {
  const [all, setAll] = useState(steps.length <= STEPS);
  const last = steps.length - 1;
  const shown = all
    ? steps
    : steps.filter((_, i) =>
        Array.from({ length: STEPS }, (_unused, k) =>
          Math.round((k * last) / (STEPS - 1)),
        ).includes(i),
      );
  return (
    <View role="list" aria-label="Still running by hours">
      {shown.map((s) => (
        <Row key={s.hours} apart>
          <Strong>{printHours(s.hours)}</Strong>
          <Quiet>{`${printNumber(100 * s.share, 0)} % run on (${printNumber(100 * s.low, 0)} to ${printNumber(100 * s.high, 0)} %), ${s.atRisk} came so far`}</Quiet>
        </Row>
      ))}
      {all ? null : (
        <Press small title={`Show all ${steps.length} steps`} onPress={() => setAll(true)} />
      )}
    </View>
  );
}

/** What jobs on it took against the sheet, by what was done. */
export function Minutes({ page, of }: { page: ClassPage; of: InsightOf }) {
  if (!page.minutes.length) return null;
  return (
    <View style={styles.stack}>
      <Heading>What jobs took</Heading>
      <Ranges
        label="Job"
        heads={['Against the sheet', 'Between', 'Told by']}
        base={1}
        testID="insight jobs"
        rows={page.minutes.map((m): RangeRow => ({
          ...{ key: m.decision, title: className(m.decision), value: m.value, low: m.low },
          high: m.high,
          to: insightHref(`/insight/${encodeURIComponent(page.class.key)}`, of, {
            done: m.decision,
          }),
          said: `${printNumber(m.value, 2)} × the sheet’s`,
          range: `${printNumber(m.low, 2)} to ${printNumber(m.high, 2)}`,
          by: `${m.jobs} ${m.jobs === 1 ? 'job' : 'jobs'}`,
        }))}
      />
    </View>
  );
}

/** Every machine it is told from; a tap opens the machine. */
export function EachMachine({ page, of }: { page: ClassPage; of: InsightOf }) {
  const { done } = useLocalSearchParams<{ done?: string }>();
  const router = useRouter();
  const { line } = page;
  const machines = done ? page.machines.filter((m) => m.done.includes(done)) : page.machines;
  const mean = page.class[line]?.value;
  return (
    <View style={styles.stack}>
      <Heading>
        {done ? `Machines with this job on record: ${className(done)}` : 'Its machines'}
      </Heading>
      {done ? (
        <Press small title="All its machines" onPress={() => router.setParams({ done: '' })} />
      ) : null}
      <Quiet>Each drawn toward the class as far as its own readings are few.</Quiet>
      <Ranges
        label="Machine"
        heads={['In 100 h', 'Between', 'Known of it']}
        base={mean}
        testID="insight each machine"
        rows={machines.map(machineRow)}
      />
      <Buttons>
        <Press
          small
          title="Machines as CSV"
          onPress={() =>
            download(
              `/api/insight.csv${searchOf({ ...of, what: 'machines', key: page.class.key })}`,
              'green-tally-machines.csv',
            )
          }
        />
        <Press
          small
          title="Groups as CSV"
          onPress={() =>
            download(
              `/api/insight.csv${searchOf({ ...of, what: 'groups', key: page.class.key })}`,
              'green-tally-groups.csv',
            )
          }
        />
      </Buttons>
    </View>
  );
}

function machineRow(m: ClassMachine): RangeRow {
  const { rate } = m;
  const known = [
    m.crop,
    ...(rate ? [`${rate.lives} ${rate.lives === 1 ? 'life' : 'lives'}`] : []),
    ...(m.stops ? [`stopped ${m.stops} ×, ${printHours(m.hoursLost)} lost`] : []),
    ...(m.ended ? [`renewed ${m.ended} ×`] : []),
    ...(m.jobs ? [`${m.jobs} ${m.jobs === 1 ? 'job' : 'jobs'}`] : []),
  ].join(' · ');
  return {
    ...{ key: m.id, title: `${m.serial} ${m.model}`, to: `/machine/${m.id}` as const },
    ...{ value: rate?.value ?? 0, low: Math.max(0, rate?.low ?? 0), high: rate?.high ?? 0 },
    none: rate === null,
    said: rate ? rateWords(rate.value) : 'not read twice',
    range: rate ? `${rateWords(Math.max(0, rate.low))} to ${rateWords(rate.high)}` : '',
    by: known,
  };
}

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });
