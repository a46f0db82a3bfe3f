import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import type { BreakdownSaid, ForecastScore } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { SyncLine } from '../session/SyncLine';
import { troubleText } from '../store';
import { useForecasts } from '../board/hooks';
import {
  Body,
  Card,
  Go,
  HeadRow,
  Heading,
  Notice,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Title,
  usePalette,
  Waiting,
} from '../ui';
import { chanceWords, dayWords } from '../yard/words';
import { scoreWords, watchedWords, whatWords } from './words';

/** Was the forecast right? What was said before each harvest, and what came of it. */
export function ForecastScreen() {
  const { data: page, error, again } = useForecasts();
  if (!page)
    return (
      <Waiting
        what="the forecasts"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  const { all, watched, kinds, breakdowns, hoursLost } = page;
  return (
    <Screen testID="forecasts" title="Was the forecast right?">
      <HeadRow back={{ to: '/more', title: 'More', label: 'Back to all settings' }}>
        <SyncLine />
      </HeadRow>
      <Title>Was the forecast right?</Title>
      <Card>
        <Strong testID="watched">{watchedWords(watched)}</Strong>
        {all.n ? (
          <Body>{`${all.n} forecasts of ${page.branch} have come out. ${scoreWords(all)}`}</Body>
        ) : null}
        {all.n ? <Deciles score={all} /> : null}
        {all.brier === null || all.base === null || all.log === null ? null : (
          <Quiet>
            {`Brier score ${printNumber(all.brier, 3)}, against ${printNumber(all.base, 3)} for the average; log score ${printNumber(all.log, 3)}. 0 is best.`}
          </Quiet>
        )}
      </Card>
      {kinds.length ? (
        <Card testID="by class">
          <Heading>By component class</Heading>
          {kinds.map(({ kind, score }) => (
            <Row key={kind} apart>
              <Strong>{kind.replaceAll('-', ' ')}</Strong>
              <Quiet>{`${score.n}: ${score.happened} happened, ${printNumber(score.said, 1)} said`}</Quiet>
            </Row>
          ))}
        </Card>
      ) : null}
      <Card testID="breakdowns">
        <Heading>{`Stopped in harvest: ${breakdowns.length}`}</Heading>
        {breakdowns.length ? (
          <Quiet>{`${printNumber(hoursLost, 1)} hours lost, as far as is said.`}</Quiet>
        ) : (
          <Notice
            tone="pine"
            title="Nothing has stopped"
            text="What stops in harvest is said on the machine’s page in three taps, and stands here."
          />
        )}
        {breakdowns.map((b) => (
          <Stopped key={b.id} breakdown={b} />
        ))}
      </Card>
    </Screen>
  );
}

function Stopped({ breakdown: b }: { breakdown: BreakdownSaid }) {
  const said =
    b.chance === null
      ? 'nothing had been forecast of it'
      : `the forecast had given it ${chanceWords(b.chance)}`;
  return (
    <Go to={`/machine/${b.machineId}`} label={`${b.serial}: ${b.component}`}>
      <Strong>{`${dayWords(b.at.slice(0, 10))} ${b.at.slice(0, 4)} · ${b.serial} · ${b.component}: ${whatWords(b.kind)}`}</Strong>
      <Quiet>{`${b.hoursLost === null ? 'hours not said' : `${printNumber(b.hoursLost, 1)} h lost`}; ${said}.`}</Quiet>
    </Go>
  );
}

const [WIDTH, HEIGHT, EDGE] = [320, 200, 24];

/** Said against happened, by tenths: on the slanting line they agree. A dot is larger the more there were. */
function Deciles({ score }: { score: ForecastScore }) {
  const palette = usePalette();
  const x = (share: number) => EDGE + share * (WIDTH - 2 * EDGE);
  const y = (share: number) => HEIGHT - EDGE - share * (HEIGHT - 2 * EDGE);
  const own = score.deciles.filter((d) => d.n > 0);
  const most = Math.max(1, ...own.map((d) => d.n));
  const words = own
    .map(
      (d) =>
        `said ${printNumber(100 * d.said, 0)} %, happened ${printNumber(100 * d.happened, 0)} % of ${d.n}`,
    )
    .join('; ');
  return (
    <View style={styles.chart}>
      <Svg width={WIDTH} height={HEIGHT} role="img" aria-label={`Said against happened: ${words}`}>
        <Rect
          x={EDGE}
          y={EDGE}
          width={WIDTH - 2 * EDGE}
          height={HEIGHT - 2 * EDGE}
          fill="none"
          stroke={palette.line}
          strokeWidth={2}
        />
        <Line
          x1={x(0)}
          y1={y(0)}
          x2={x(1)}
          y2={y(1)}
          stroke={palette.quiet}
          strokeWidth={2}
          strokeDasharray="5 5"
        />
        {own.map((d) => (
          <Circle
            key={d.from}
            cx={x(d.said)}
            cy={y(d.happened)}
            r={4 + 8 * Math.sqrt(d.n / most)}
            fill={palette.pine}
          />
        ))}
      </Svg>
      <Quiet>Across: what was said. Up: what happened. On the line they agree.</Quiet>
      {own.map((d) => (
        <Quiet key={d.from}>
          {`Said ${printNumber(100 * d.said, 0)} %: ${printNumber(100 * d.happened, 0)} % of ${d.n} happened`}
        </Quiet>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ chart: { gap: SPACE.xs } });
