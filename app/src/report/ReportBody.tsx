import type { ReactNode } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import type { OwnerReport, ReportItem, ReportStrip } from '@green-tally/core/contracts/report';
import {
  ANSWER_WORDS,
  WALK_FOR,
  doWords,
  holdsWords,
  PAST_WORDS,
} from '@green-tally/core/ownerWords';
import { counted, printHours, printNumber } from '@green-tally/core/units';
import {
  BandStrip,
  Body,
  Card,
  DecisionBadge,
  Heading,
  Notice,
  Quiet,
  RADIUS,
  Row,
  SPACE,
  Strong,
  TallyStrip,
  Title,
} from '../ui';
import { dayWords } from '../yard/words';

interface ReportBodyProps {
  readonly report: OwnerReport;
  /** where a photo of it can be had */
  readonly photoAt: (id: string) => string;
  /** what stands below an item: the owner's ways to answer */
  readonly below?: (item: ReportItem) => ReactNode;
}

/** A report as its owner reads it, top to bottom: ready or not, what to do, what to watch, what was not looked at. */
export function ReportBody({ report, photoAt, below }: ReportBodyProps) {
  const { machine, walk, items, watch, renewed, notLooked, next, holds } = report;
  return (
    <>
      <Title>{`${machine.serial}, ${machine.model}`}</Title>
      <Body>{`${machine.customer}. ${printHours(machine.hours)}${machine.header ? `, with ${machine.header}` : ''}.`}</Body>
      <Quiet>
        {`${machine.crop.charAt(0).toUpperCase()}${machine.crop.slice(1)}: harvest from ${dayWords(machine.harvest.start)}. ${
          walk
            ? `Walked ${walk.kind ? `${WALK_FOR[walk.kind]}, ` : ''}${dayWords(walk.from.slice(0, 10))}${walk.to ? '' : ', not finished'}: ${counted(walk.read, 'check')} read by ${walk.people.join(', ')}.`
            : 'Not walked this season.'
        }`}
      </Quiet>
      {report.past ? (
        <Notice
          title={`As it stood on ${dayWords(report.today)} ${report.today.slice(0, 4)}`}
          text={PAST_WORDS}
        />
      ) : (
        <Card edge={report.ready ? 'pine' : 'rust'} testID="report ready">
          <Strong tone={report.ready ? 'pine' : 'rust'}>
            {report.ready ? 'Ready for harvest' : 'Not ready yet'}
          </Strong>
          <Body>
            {report.ready
              ? 'All of this season’s walk was read, and nothing is open.'
              : `${report.lacks.join('; ')}.`}
          </Body>
        </Card>
      )}
      <Heading>{doWords(report)}</Heading>
      {items.map((item) => (
        <Card key={item.key} testID={`report ${item.component}`}>
          <Row apart>
            <Strong style={styles.grows}>{item.component}</Strong>
            <DecisionBadge decision={item.decision} />
          </Row>
          {item.places.length && item.places.length < 4 ? (
            <Quiet>{item.places.join(', ')}</Quiet>
          ) : null}
          <Body>{item.said}</Body>
          <Drawn name={item.component} strip={item.strip} measured={item.measured} />
          <Pictures name={item.component} ids={item.photos} photoAt={photoAt} />
          {item.guardsPeople ? (
            <Strong tone="rust">Somebody can be hurt when it fails: it is not left.</Strong>
          ) : null}
          <Body>{`If it is left: ${item.ifLeft}`}</Body>
          <Costs item={item} currency={report.currency} />
          {item.visit ? <Quiet>{`Planned for ${dayWords(item.visit)}.`}</Quiet> : null}
          {item.owner ? (
            <Strong tone="pine" testID="owner said">
              {`${ANSWER_WORDS[item.owner.answer]}: ${item.owner.by}, ${dayWords(item.owner.at.slice(0, 10))}${item.owner.note ? `, “${item.owner.note}”` : ''}`}
            </Strong>
          ) : null}
          {below?.(item)}
        </Card>
      ))}
      {watch.length ? <Heading>To be watched</Heading> : null}
      {watch.map((w) => (
        <Card key={w.component}>
          <Strong>{w.component}</Strong>
          <Body>{w.said}</Body>
          <Drawn name={w.component} strip={w.strip} measured={w.measured} />
          <Pictures name={w.component} ids={w.photos} photoAt={photoAt} />
        </Card>
      ))}
      <Lines
        title="Renewed"
        lines={renewed.map(
          (r) => `${r.component}: ${dayWords(r.on)}, by ${r.by}, at ${printHours(r.hours)}`,
        )}
      />
      <Lines title="Not looked at" lines={notLooked.map((n) => `${n.component}: ${n.why}`)} />
      <Lines
        title="Due next"
        lines={next.map(
          (n) =>
            `${n.component}: ${n.what}${n.on ? `, ${dayWords(n.on)}` : ''}${n.atHours === null ? '' : `, at ${printHours(n.atHours)}`}`,
        )}
      />
      {holds.length ? (
        <>
          <Heading>{holdsWords(report)}</Heading>
          <Quiet>{holds.join(' · ')}</Quiet>
        </>
      ) : null}
    </>
  );
}

/** Money as a report says it. */
export const money = (sum: number, currency: string): string =>
  `${Math.round(sum).toLocaleString('en')} ${currency}`;

/** What it costs now, and later. */
function Costs({ item, currency }: { item: ReportItem; currency: string }) {
  const { now, left, ifItGoes, minutes } = item;
  const later = left ?? ifItGoes;
  return (
    <View style={styles.costs}>
      <View style={styles.grows}>
        <Quiet>Now</Quiet>
        <Strong>
          {now === null
            ? `${printNumber(minutes / 60, 1)} h of work, no price yet`
            : money(now, currency)}
        </Strong>
      </View>
      {later === null ? null : (
        <View style={styles.grows}>
          <Quiet>{left === null ? 'When it goes in harvest' : 'Left, to be expected'}</Quiet>
          <Strong>{money(later, currency)}</Strong>
        </View>
      )}
    </View>
  );
}

interface DrawnProps {
  readonly name: string;
  readonly strip: ReportStrip | null;
  readonly measured: ReportItem['measured'];
}

function Drawn({ name, strip, measured }: DrawnProps) {
  return (
    <>
      {measured.text ? (
        <Quiet>{`${measured.text}${measured.other ? ` · ${measured.other}` : ''}`}</Quiet>
      ) : null}
      {strip?.kind === 'wear' ? (
        <TallyStrip
          name={name}
          ticks={strip.ticks.map((t, i) => ({ ...t, readingId: `${i}` }))}
          forecast={strip.forecast ?? undefined}
        />
      ) : null}
      {strip?.kind === 'band' ? (
        <BandStrip name={name} {...strip} write={(v) => `${printNumber(v, 1)} ${strip.unit}`} />
      ) : null}
    </>
  );
}

function Pictures({
  name,
  ids,
  photoAt,
}: {
  name: string;
  ids: readonly string[];
  photoAt: (id: string) => string;
}) {
  if (!ids.length) return null;
  return (
    <Row gap={SPACE.s}>
      {ids.map((id) => (
        <Image
          key={id}
          source={{ uri: photoAt(id) }}
          style={styles.picture}
          accessibilityLabel={`Photo of ${name}`}
        />
      ))}
    </Row>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (!lines.length) return null;
  return (
    <>
      <Heading>{title}</Heading>
      {lines.map((line, i) => (
        <Body key={i}>{line}</Body>
      ))}
    </>
  );
}

const styles = StyleSheet.create({
  grows: { flex: 1 },
  costs: { flexDirection: 'row', gap: SPACE.m },
  picture: { width: 104, height: 78, borderRadius: RADIUS.s },
});
