import { StyleSheet, View } from 'react-native';
import type { BothSums, Finding, NotWorthLeavingNumbers } from '@green-tally/core/findings';
import { noSumsWords } from '@green-tally/core/kinds';
import { chanceWords, percent } from '@green-tally/core/findings';
import { printAmount, printNumber } from '@green-tally/core/units';
import { Body, Card, Go, Heading, Quiet, Row, Rule, SPACE, Strong } from '../ui';
import { ChanceLine } from '../ui/ChanceLine';

const TITLES = {
  limit: 'Leave it through harvest, or renew it now?',
  travel: 'Leave it through harvest, or shorten it now?',
  band: 'Leave it through harvest, or set it now?',
} as const;
const NOW = { limit: 'Renew now', travel: 'Shorten now', band: 'Set now' } as const;

/** What the forecast of a place says in money: both sums, and the chance at which they are equal. */
export function SumsCard({ findings }: { readonly findings: readonly Finding[] }) {
  const numbers = forecastOf(findings);
  if (!numbers) return null;
  const { sums, noSums, what, chance, shopRule, rate } = numbers;
  return (
    <Card testID="sums">
      <Heading>{TITLES[what]}</Heading>
      <ChanceLine chance={chance} from={sums ? sums.breakEven : shopRule} />
      {sums ? (
        <Sums sums={sums} what={what} chance={chance} />
      ) : (
        <Quiet>
          {`${noSumsWords(noSums)}, so the shop rule decides: from ${percent(shopRule)} on it is not left. A planner says what stopping costs under More, Costs.`}
        </Quiet>
      )}
      <Quiet>
        {!rate || rate.of === 'sheet'
          ? "How fast it wears: by its own readings and the sheet's rate; the fleet has too few lives of it."
          : `How fast it wears: by its own readings and ${rate.lives} lives seen ${rate.of === 'branch' ? 'at this branch' : 'at all branches'}.`}
      </Quiet>
    </Card>
  );
}

interface SumsProps {
  readonly sums: BothSums;
  readonly what: NotWorthLeavingNumbers['what'];
  readonly chance: number;
}

function Sums({ sums, what, chance }: SumsProps) {
  const { terms, currency, stopRule } = sums;
  const broken = terms.collateral ? ` + ${printAmount(terms.collateral)} broken with it` : '';
  const part = terms.part ? `part ${printAmount(terms.part)} + ` : '';
  return (
    <View style={styles.sums}>
      <Row apart>
        <Strong>Leave it</Strong>
        <Strong testID="sum leave">{`about ${printAmount(sums.leave)} ${currency}`}</Strong>
      </Row>
      <Body>
        {`${chanceWords(chance)} of: ${printNumber(terms.stopHours, 1)} h standing at ${printAmount(terms.costPerStopHour)}${broken} + ${printAmount(terms.fieldLabour)} work in the field.`}
      </Body>
      <Rule />
      <Row apart>
        <Strong>{NOW[what]}</Strong>
        <Strong testID="sum renew">{`about ${printAmount(sums.renew)} ${currency}`}</Strong>
      </Row>
      <Body>
        {`${percent(terms.lifeLeft)} of its life is thrown away, of ${part}work ${printAmount(terms.shopLabour)}; the rest is paid one day anyway.`}
      </Body>
      <Quiet>
        {stopRule
          ? `What a stop takes: the shop rule for ${stopRule}; the sheet does not say.`
          : 'What a stop takes: as the sheet says.'}
      </Quiet>
      <Go to={onTheBench(terms, chance)} label="Both sums on the bench">
        <Strong tone="pine">Both sums on the bench ›</Strong>
      </Go>
    </View>
  );
}

/** The same sums where they can be turned about. */
function onTheBench(terms: BothSums['terms'], chance: number): `/bench/leave?${string}` {
  const texts = {
    chance: printNumber(100 * chance, 1),
    stopHours: printNumber(terms.stopHours, 2),
    perHour: printNumber(terms.costPerStopHour, 2),
    collateral: printNumber(terms.collateral, 2),
    fieldLabour: printNumber(terms.fieldLabour, 2),
    part: printNumber(terms.part, 2),
    shopLabour: printNumber(terms.shopLabour, 2),
    lifeLeft: printNumber(100 * terms.lifeLeft, 1),
  };
  return `/bench/leave?${new URLSearchParams(texts)}`;
}

/** The forecast among findings, the weightiest first. */
function forecastOf(findings: readonly Finding[]): NotWorthLeavingNumbers | undefined {
  for (const f of findings)
    if (
      f.id === 'notWorthLeaving' ||
      f.id === 'notWorthLeavingLong' ||
      f.id === 'notWorthLeavingSet' ||
      f.id === 'reachesLimit'
    )
      return f.numbers;
  return undefined;
}

const styles = StyleSheet.create({ sums: { gap: SPACE.s } });
