import { View } from 'react-native';
import { needsHand } from '@green-tally/core/findings';
import type { MachineFacts } from '@green-tally/core/kinds';
import { printAs, type Writing } from '@green-tally/core/units';
import {
  type CheckVerdict,
  DECISION_WORDS,
  headSentence,
  ifLeftSentence,
  sentence,
} from '@green-tally/core/verdict';
import { CheckStrip, worstPlace } from '../machine/VerdictSummary';
import {
  Body,
  Card,
  DecisionBadge,
  DECISION_FILL,
  FONT,
  Glyph,
  Heading,
  Quiet,
  Row,
  Rule,
  Strong,
  Title,
  usePalette,
} from '../ui';

/** The verdict banner of a check: decision, number with its ±, why in a sentence, the strip, the other places, knock-ons, what happens if left. */
export function VerdictCard({ verdict, facts }: { verdict: CheckVerdict; facts?: MachineFacts }) {
  const palette = usePalette();
  const { check, decision } = verdict;
  const worst = worstPlace(verdict);
  if (!worst) return null;
  const fill = DECISION_FILL[decision];
  const onHead = fill ? palette.onFill : palette.ink;
  const writing: Writing =
    'style' in check ? check : { quantity: 'length', unit: 'mm', style: 'mm' };
  const number =
    worst.value === undefined
      ? ''
      : `${printAs(worst.value, writing, 2)} ±${printAs(worst.expandedValue ?? 0, writing.style === 'inFraction' ? { ...writing, style: 'inThou' } : writing, 2).replace(/ \S+$/, '')}`;
  const others = worst.findings.slice(1).filter((f) => f.id !== 'inside' && f.id !== 'loose');
  const differing = verdict.places.filter((p) => p.place !== worst.place && p.decision !== 'holds');
  return (
    <View style={{ gap: 12 }} testID="verdict">
      <View
        role="status"
        aria-live="polite"
        style={{
          borderRadius: 16,
          borderWidth: 3,
          borderColor: fill ? palette[fill] : palette.ink,
          overflow: 'hidden',
          backgroundColor: palette.card,
        }}
      >
        <View
          style={{
            backgroundColor: fill ? palette[fill] : palette.card,
            padding: 14,
            flexDirection: 'row',
            alignItems: 'center',
            gap: 12,
          }}
        >
          <Glyph decision={decision} color={onHead} size={36} />
          <Title style={{ color: onHead, flex: 1 }} testID="decision">
            {DECISION_WORDS[decision]}
          </Title>
          <Strong style={{ color: onHead }}>{number}</Strong>
        </View>
        <View style={{ padding: 14, gap: 8 }}>
          {check.places.length > 1 ? <Quiet>{worst.place}</Quiet> : null}
          <Body style={{ fontSize: 19, lineHeight: 27 }} testID="why">
            {headSentence(check, worst.findings)}
          </Body>
          <CheckStrip verdict={verdict} />
          {others.map((f) => (
            <Quiet key={f.id}>{sentence(check, f)}</Quiet>
          ))}
          {worst.asFound ? (
            <Quiet>{`As found: ${DECISION_WORDS[worst.asFound.decision].toLowerCase()}. ${headSentence(check, worst.asFound.findings)}`}</Quiet>
          ) : null}
        </View>
      </View>
      {differing.length ? (
        <Card>
          <Heading>Other places</Heading>
          {differing.slice(0, 24).map((p) => (
            <View key={p.place} style={{ gap: 4 }}>
              <Rule />
              <Row style={{ justifyContent: 'space-between' }}>
                <Strong style={{ fontFamily: FONT.bold }}>{p.place}</Strong>
                <DecisionBadge decision={p.decision} />
              </Row>
              <Quiet>{headSentence(check, p.findings)}</Quiet>
            </View>
          ))}
        </Card>
      ) : null}
      {needsHand(decision) && check.knockOns.length ? (
        <View style={{ gap: 6 }}>
          <Heading>This will change</Heading>
          {check.knockOns.map((k) => (
            <Card
              key={'check' in k ? k.check : k.task}
              style={{ flexDirection: 'row', alignItems: 'center' }}
            >
              <Glyph decision="remeasure" color={palette.violet} />
              <Body style={{ flex: 1 }}>
                {'check' in k
                  ? `${k.check.replaceAll('-', ' ')}: joins the walk again, ${k.why}`
                  : k.task}
              </Body>
            </Card>
          ))}
        </View>
      ) : null}
      {needsHand(decision) && decision !== 'remeasure' ? (
        <View style={{ gap: 4 }}>
          <Heading>If left</Heading>
          {facts && ifLeftSentence(worst, facts) ? (
            <Strong testID="if left">{ifLeftSentence(worst, facts)}</Strong>
          ) : null}
          <Body>{check.ifLeft}</Body>
        </View>
      ) : null}
      {decision === 'replace' && check.parts.length ? (
        <View style={{ gap: 4 }}>
          <Heading>Parts</Heading>
          {check.parts.map((p) => (
            <Body key={p.number}>{`${p.number} ${p.name}${p.with ? `. ${p.with}` : ''}`}</Body>
          ))}
        </View>
      ) : null}
    </View>
  );
}
