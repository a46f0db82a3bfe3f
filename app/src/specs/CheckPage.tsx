import { StyleSheet, View } from 'react-native';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { kindOf, wantWords } from '@green-tally/core/kinds';
import { fieldChanges } from '@green-tally/core/sheets';
import { printNumber } from '@green-tally/core/units';
import { Schematic } from '../schematics/Schematic';
import {
  Body,
  Card,
  Glyph,
  Go,
  Heading,
  Quiet,
  Row,
  SPACE,
  Strong,
  Title,
  TYPE,
  usePalette,
  useWide,
} from '../ui';
import { BookPages } from './BookPages';
import { FieldChanges } from './Changes';
import { factsOf } from './facts';
import { capital, checkPath } from './words';

interface CheckPageProps {
  readonly sheet: SpecSheet;
  readonly check: Check;
  /** the same check a revision earlier, when there was one */
  readonly before: Check | undefined;
  readonly beforeRevision: number | undefined;
}

/**
 * One check of a sheet: how it is taken, with the limits drawn to scale, what it leads to, and what
 * changed.
 */
export function CheckPage({ sheet, check, before, beforeRevision }: CheckPageProps) {
  // when wide the sheet's own title stands beside it
  const Name = useWide() ? Heading : Title;
  return (
    <View style={styles.page} testID="spec check">
      <View>
        <Quiet>{`${check.station} · ${check.stationName} · ${kindOf(check).name}`}</Quiet>
        <Name style={TYPE.component}>{check.component}</Name>
        <Quiet>{check.measures}</Quiet>
      </View>
      <Card>
        <Strong>{capital(wantWords(check))}</Strong>
        <Schematic check={check} />
        <Row style={styles.facts}>
          {factsOf(sheet, check).map(({ label, value }) => (
            <View key={label} style={styles.fact}>
              <Quiet>{label}</Quiet>
              <Body>{value}</Body>
            </View>
          ))}
        </Row>
      </Card>
      <Changed check={check} before={before} revision={beforeRevision} />
      <Connected sheet={sheet} check={check} />
      <Card>
        <Heading>How</Heading>
        <Body>{check.how}</Body>
        <Heading>Why</Heading>
        <Body>{check.why}</Body>
        {check.schools ? (
          <>
            <Heading>Where people disagree</Heading>
            <Body>{check.schools}</Body>
          </>
        ) : null}
        <Heading>If left</Heading>
        <Body>{check.ifLeft}</Body>
        <Heading>Mind</Heading>
        {check.safety.map((s) => (
          <Body key={s}>{s}</Body>
        ))}
        <Quiet>{`Source: ${check.source}. The maker's manual goes before this sheet.`}</Quiet>
        <BookPages model={sheet.model} checkId={check.id} />
      </Card>
    </View>
  );
}

interface ChangedProps {
  readonly check: Check;
  readonly before: Check | undefined;
  readonly revision: number | undefined;
}

/** What differs from the revision before. */
function Changed({ check, before, revision }: ChangedProps) {
  if (revision === undefined) return null;
  if (!before)
    return (
      <Card edge="violet">
        <Heading>{`New since revision ${revision}`}</Heading>
      </Card>
    );
  const changed = fieldChanges(before, check);
  return changed.length ? (
    <Card edge="violet" testID="changed">
      <Heading>{`Changed since revision ${revision}`}</Heading>
      <FieldChanges fields={changed} />
    </Card>
  ) : null;
}

/**
 * Checks of the sheet that work on this one disturbs, that disturb it, and that are renewed with
 * it.
 */
function Connected({ sheet, check }: { sheet: SpecSheet; check: Check }) {
  const disturbing = sheet.checks.flatMap((c) =>
    c.knockOns.flatMap((k) =>
      'check' in k && k.check === check.id ? [{ id: c.id, why: k.why }] : [],
    ),
  );
  const { knockOns, pairs } = check;
  if (!knockOns.length && !disturbing.length && !pairs.length) return null;
  const link = (id: string, why: string) => (
    <CheckLink key={`${id}${why}`} sheet={sheet} id={id} why={why} />
  );
  return (
    <Card>
      {knockOns.length ? <Heading>Work here changes</Heading> : null}
      {knockOns.map((k) =>
        'check' in k ? link(k.check, k.why) : <Body key={k.task}>{k.task}</Body>,
      )}
      {disturbing.length ? <Heading>Taken again after work on</Heading> : null}
      {disturbing.map((c) => link(c.id, c.why))}
      {pairs.length ? <Heading>Renewed together with</Heading> : null}
      {pairs.map((p) => link(p.check, `${p.why} From ${printNumber(p.from * 100, 0)} % worn.`))}
    </Card>
  );
}

interface CheckLinkProps {
  readonly sheet: SpecSheet;
  readonly id: string;
  readonly why: string;
}

function CheckLink({ sheet, id, why }: CheckLinkProps) {
  const palette = usePalette();
  const name = sheet.checks.find((c) => c.id === id)?.component ?? id;
  return (
    <Go to={checkPath(sheet.model, id, undefined)} label={`${name}: ${why}`} style={styles.link}>
      <Glyph decision="remeasure" color={palette.violet} size={20} />
      <View style={styles.linked}>
        <Strong tone="pine">{name}</Strong>
        <Quiet>{why}</Quiet>
      </View>
    </Go>
  );
}

const styles = StyleSheet.create({
  page: { gap: SPACE.m },
  facts: { alignItems: 'flex-start' },
  fact: { minWidth: 150, flexGrow: 1, flexBasis: '45%' },
  link: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  linked: { flex: 1 },
});
