import { useLocalSearchParams, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { InsightPage, type InsightOf } from '@green-tally/core/contracts/insight';
import { download } from '../readings/download';
import { SyncLine } from '../session/SyncLine';
import { troubleText } from '../store';
import { useAnswer } from '../store/hooks';
import {
  Body,
  Buttons,
  Card,
  Choice,
  Go,
  HeadRow,
  Heading,
  Notice,
  Press,
  Quiet,
  Screen,
  Strong,
  SPACE,
  Title,
  useWide,
  Waiting,
} from '../ui';
import { dayWords } from '../yard/words';
import { insightHref, searchOf, useAsked } from './asked';
import { className, standsOutWords, sureWords } from './classWords';
import { Machines } from './Machines';
import { Ranges, type RangeRow } from './Ranges';
import {
  branchRows,
  forecastRows,
  lifeRows,
  minuteRows,
  stopRows,
  walkRows,
  wearRows,
  type Show,
} from './rows';

interface Told {
  readonly title: string;
  readonly rows: (page: InsightPage) => RangeRow[];
  readonly heads: readonly [string, string, string];
  readonly label: string;
  /** what the rows say, and how to read them */
  readonly text: string;
  /** said where there are none */
  readonly none: string;
  readonly base?: number;
  /** which table of it there is as CSV */
  readonly csv: 'classes' | 'forecasts' | 'walks';
}

const TOLD: Readonly<Record<Show, Told>> = {
  wear: {
    ...{ title: 'Wear', rows: wearRows, label: 'Component class', csv: 'classes' },
    heads: ['In 100 h', 'Between', 'Told by'],
    text: 'Of the way to the limit in 100 hours; the bar holds it nine times of ten. A machine counts once, and few machines are drawn toward the rest.',
    none: 'No part has been read twice in one life yet. Two rounds apart say how fast it wears.',
  },
  lives: {
    ...{ title: 'Lives', rows: lifeRows, label: 'Component class', csv: 'classes' },
    heads: ['Half renewed by', 'Between', 'Told by'],
    text: 'Hours from fitting to the next renewal, by which half were renewed. Parts that run still count as long as they have run.',
    none: 'No part has been renewed twice yet: a life is known from one renewal to the next.',
  },
  stops: {
    ...{ title: 'Stops', rows: stopRows, label: 'Component class', csv: 'classes' },
    heads: ['Hours lost', 'Stops', ''],
    text: 'What stopped machines in harvest, and the hours it cost as far as is said.',
    none: 'Nothing has stopped, as far as is said. What stops is said on its machine’s page.',
  },
  minutes: {
    ...{ title: 'Minutes', rows: minuteRows, label: 'Component class', csv: 'classes', base: 1 },
    heads: ['Against the sheet', 'Between', 'Told by'],
    text: 'What jobs took against the minutes of the sheet. The line through all is as the sheet says.',
    none: 'No job has its minutes yet. They are said when the work is done.',
  },
  forecasts: {
    ...{ title: 'Forecasts', rows: forecastRows, label: 'Component class', csv: 'forecasts' },
    heads: ['Came to its limit', 'Had been said', ''],
    text: 'How many came to their limit in harvest (the post), and how many the forecasts had said (the arrow from below). The farthest off first.',
    none: 'No forecast has come out yet: that takes a harvest, and a reading after it.',
  },
  walks: {
    ...{ title: 'Walks', rows: walkRows, label: 'Kind of walk', csv: 'walks' },
    heads: ['Found', 'Between', 'Told by'],
    text: 'Checks that called for work, found in an hour at the machine. Who reads nothing for longer than twenty minutes is taken to do something else.',
    none: 'No walk has been finished yet.',
  },
};

const SHOWS = Object.entries(TOLD).map(([value, { title }]) => ({ value: value as Show, title }));
const isShow = (value: string | undefined): value is Show => value !== undefined && value in TOLD;

/** What wears out where, how long it lives, and what jobs and walks take. */
export function InsightScreen() {
  const { of, set } = useAsked();
  const { show: asked } = useLocalSearchParams<{ show?: string }>();
  const { data: page, error, again } = useAnswer('GET /insight', { query: of }, InsightPage);
  const router = useRouter();
  if (!page)
    return (
      <Waiting what="insight" trouble={error ? troubleText(error) : undefined} again={again} full />
    );
  const show = isShow(asked) ? asked : 'wear';
  return (
    <Screen testID="insight" title="Insight" full>
      <HeadRow back={{ to: '/more', title: 'More', label: 'Back to all settings' }}>
        <SyncLine />
      </HeadRow>
      <Title>What wears out where</Title>
      <Machines of={of} machines={page.machines} choices={page.choices} onChange={set} />
      {page.learntOn === null ? (
        <Notice
          title="Nothing has been learnt yet"
          text="It is learnt from all readings at the beginning of each day."
        />
      ) : null}
      <Outstanding page={page} />
      <Choice
        label="What to look at"
        value={show}
        onChange={(to) => router.setParams({ show: to })}
        options={SHOWS}
      />
      <Part page={page} show={show} />
    </Screen>
  );
}

const FIRST = { phone: 3, wide: 6 } as const;

/** Groups that lie off the rest of their class: what to ask about first. */
function Outstanding({ page: { of, standsOut, machines } }: { page: InsightPage }) {
  const wide = useWide();
  if (!machines) return null;
  return (
    <Card testID="stands out">
      <Heading>What stands out</Heading>
      {standsOut.length ? null : (
        <Body>
          No crop, model, customer or branch wears anything faster or slower than the others, as far
          as the readings tell.
        </Body>
      )}
      <View style={wide ? styles.beside : styles.below}>
        {standsOut.slice(0, wide ? FIRST.wide : FIRST.phone).map((s) => (
          <Go
            key={`${s.key} ${s.dimension} ${s.group.group}`}
            style={wide ? styles.half : undefined}
            to={insightHref(`/insight/${encodeURIComponent(s.key)}`, of, { by: s.dimension })}
            label={`${standsOutWords(s)}. ${sureWords(s)}`}
          >
            <Strong>{standsOutWords(s)}</Strong>
            <Quiet>{sureWords(s)}</Quiet>
          </Go>
        ))}
      </View>
      {standsOut.length ? (
        <Quiet>
          Groups are held against each other one way at a time: where a model works in one crop
          only, they share the blame.
        </Quiet>
      ) : null}
    </Card>
  );
}

function Part({ page, show }: { page: InsightPage; show: Show }) {
  const { rows, heads, label, text, none, base, csv } = TOLD[show];
  const own = rows(page);
  const path = (of: InsightOf) => `/api/insight.csv${searchOf({ ...of, what: csv })}`;
  return (
    <>
      <Quiet>{text}</Quiet>
      {page.learntOn ? <Quiet>{`Learnt on ${dayWords(page.learntOn)}.`}</Quiet> : null}
      {show === 'forecasts' && own.length ? (
        <>
          <Heading>By branch</Heading>
          <Ranges
            label="Branch"
            rows={branchRows(page)}
            heads={['Came to its limit', 'Had been said', 'How good']}
            testID="insight branches"
          />
          <Go to="/forecasts" label="Was the forecast right? By tenths, and each stop">
            <Strong tone="pine">By tenths, and each stop ›</Strong>
          </Go>
          <Heading>By component class</Heading>
        </>
      ) : null}
      {own.length ? (
        <Ranges label={label} rows={own} heads={heads} base={base} testID={`insight ${show}`} />
      ) : (
        <Notice title="Nothing to tell" text={none} />
      )}
      {own.length ? (
        <Buttons>
          <Press
            small
            title="As CSV"
            label={`${className(csv)} as CSV`}
            onPress={() => download(path(page.of), `green-tally-${csv}.csv`)}
          />
        </Buttons>
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  below: { gap: SPACE.s },
  beside: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  half: { width: '48%' },
});
