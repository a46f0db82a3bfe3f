import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Check } from '@green-tally/core/contracts';
import { needsHand } from '@green-tally/core/findings';
import type { MachineFacts } from '@green-tally/core/kinds';
import { printAs, type Writing } from '@green-tally/core/units';
import {
  DECISION_WORDS,
  headSentence,
  verdictSentence,
  ifLeftSentence,
  sentence,
  worstPlace,
  type CheckVerdict,
  type PlaceVerdict,
} from '@green-tally/core/verdict';
import { CheckStrip } from '../machine/CheckStrip';
import {
  Body,
  Card,
  DECISION_FILL,
  DecisionBadge,
  FONT,
  Glyph,
  Heading,
  Quiet,
  RADIUS,
  Row,
  Rule,
  Soon,
  SPACE,
  STROKE,
  Strong,
  Title,
  TYPE,
  usePalette,
} from '../ui';
import { aboutPart } from '../work/partWords';
import { SumsCard } from './SumsCard';

interface VerdictCardProps {
  readonly verdict: CheckVerdict;
  readonly facts?: MachineFacts;
  /** what a person may decide otherwise, below the sums */
  readonly otherwise?: ReactNode;
}

/**
 * The verdict of a check: decision, number with its ±, why in a sentence, the strip, the other
 * places, knock-ons, what happens if left.
 */
export function VerdictCard({ verdict, facts, otherwise }: VerdictCardProps) {
  const { check, decision } = verdict;
  const worst = worstPlace(verdict);
  if (!worst) return null;
  return (
    <View style={styles.verdict} testID="verdict">
      <VerdictBanner verdict={verdict} worst={worst} />
      <Soon>
        <SumsCard findings={worst.findings} />
        {otherwise}
        <OtherPlaces verdict={verdict} worst={worst} />
        {needsHand(decision) ? <KnockOns check={check} /> : null}
        {needsHand(decision) && decision !== 'remeasure' ? (
          <IfLeft check={check} text={facts ? ifLeftSentence(worst, facts) : ''} />
        ) : null}
        {decision === 'replace' && check.parts.length ? <Parts check={check} /> : null}
      </Soon>
    </View>
  );
}

interface PlaceProps {
  readonly verdict: CheckVerdict;
  readonly worst: PlaceVerdict;
}

interface BannerProps extends PlaceProps {
  /** what it says is not kept yet */
  readonly coming?: boolean;
}

/** The word, the number with its ±, why in a sentence, the strip. */
export function VerdictBanner({ verdict, worst, coming = false }: BannerProps) {
  const palette = usePalette();
  const { check, decision } = verdict;
  const fill = DECISION_FILL[decision];
  const color = fill ? palette.onFill : palette.ink;
  const also = worst.findings.slice(1).filter((f) => f.id !== 'inside' && f.id !== 'loose');
  const { asFound } = worst;
  return (
    <View
      role="status"
      aria-live="polite"
      style={[
        styles.banner,
        { borderColor: fill ? palette[fill] : palette.ink, backgroundColor: palette.card },
      ]}
    >
      <View style={[styles.head, { backgroundColor: fill ? palette[fill] : palette.card }]}>
        <Glyph decision={decision} color={color} size={36} />
        <Title style={[styles.grows, { color }]} testID={coming ? 'decision coming' : 'decision'}>
          {DECISION_WORDS[decision]}
        </Title>
        <Strong style={{ color }}>{numberWords(check, worst)}</Strong>
      </View>
      <View style={styles.why}>
        {check.places.length > 1 && worst.decision === decision ? (
          <Quiet>{worst.place}</Quiet>
        ) : null}
        <Body style={TYPE.said} testID="why">
          {verdictSentence(verdict)}
        </Body>
        <CheckStrip verdict={verdict} />
        {also.map((f) => (
          <Quiet key={f.id}>{sentence(check, f)}</Quiet>
        ))}
        {asFound ? (
          <Quiet>
            {`As found: ${DECISION_WORDS[asFound.decision].toLowerCase()}. ${headSentence(check, asFound.findings)}`}
          </Quiet>
        ) : null}
      </View>
    </View>
  );
}

/** The reading with its ±, the way its check writes it; empty where nothing was measured. */
function numberWords(check: Check, { value, expandedValue = 0 }: PlaceVerdict): string {
  if (value === undefined) return '';
  const writing: Writing =
    'style' in check ? check : { quantity: 'length', unit: 'mm', style: 'mm' };
  const fine: Writing = writing.style === 'inFraction' ? { ...writing, style: 'inThou' } : writing;
  const plusMinus = printAs(expandedValue, fine, 2).replace(/ \S+$/, '');
  return `${printAs(value, writing, 2)} ±${plusMinus}`;
}

/** Places shown beside the worst. */
const MOST_PLACES = 24;

function OtherPlaces({ verdict: { check, places }, worst }: PlaceProps) {
  const differing = places.filter((p) => p.place !== worst.place && p.decision !== 'holds');
  if (!differing.length) return null;
  return (
    <Card>
      <Heading>Other places</Heading>
      {differing.slice(0, MOST_PLACES).map((p) => (
        <View key={p.place} style={styles.place}>
          <Rule />
          <Row apart>
            <Strong style={styles.bold}>{p.place}</Strong>
            <DecisionBadge decision={p.decision} />
          </Row>
          <Quiet>{headSentence(check, p.findings)}</Quiet>
        </View>
      ))}
    </Card>
  );
}

function KnockOns({ check: { knockOns } }: { check: Check }) {
  const palette = usePalette();
  if (!knockOns.length) return null;
  return (
    <View style={styles.part}>
      <Heading>This will change</Heading>
      {knockOns.map((k) => (
        <Card key={'check' in k ? k.check : k.task} style={styles.knockOn}>
          <Glyph decision="remeasure" color={palette.violet} />
          <Body style={styles.grows}>
            {'check' in k
              ? `${k.check.replaceAll('-', ' ')}: joins the walk again, ${k.why}`
              : k.task}
          </Body>
        </Card>
      ))}
    </View>
  );
}

function IfLeft({ check, text }: { check: Check; text: string }) {
  return (
    <View style={styles.part}>
      <Heading>If left</Heading>
      {text ? <Strong testID="if left">{text}</Strong> : null}
      <Body>{check.ifLeft}</Body>
    </View>
  );
}

function Parts({ check: { parts } }: { check: Check }) {
  return (
    <View style={styles.part}>
      <Heading>Parts</Heading>
      {parts.map((p) => (
        <View key={p.number}>
          <Body>{`${p.number} ${p.name}${p.with ? `. ${p.with}` : ''}`}</Body>
          {aboutPart(p).map((line) => (
            <Quiet key={line}>{line}</Quiet>
          ))}
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  verdict: { gap: SPACE.m },
  banner: { borderRadius: RADIUS.l, borderWidth: STROKE.thick, overflow: 'hidden' },
  head: {
    padding: SPACE.m,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: SPACE.m,
  },
  grows: { flex: 1 },
  why: { padding: SPACE.m, gap: SPACE.s },
  place: { gap: SPACE.xs },
  bold: { fontFamily: FONT.bold },
  part: { gap: SPACE.xs },
  knockOn: { flexDirection: 'row', alignItems: 'center' },
});
