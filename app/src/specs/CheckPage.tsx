import { kindOf, wantWords } from '@green-tally/core/kinds';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { printAs, printNumber } from '@green-tally/core/units';
import { Schematic } from '../schematics/Schematic';
import { fieldChanges } from '@green-tally/core/sheets';
import {
  Body,
  Card,
  Glyph,
  Heading,
  Quiet,
  Row,
  Strong,
  Tap,
  Title,
  usePalette,
  useWide,
} from '../ui';
import { FieldChanges } from './Changes';
import { intervalWords } from './words';

interface CheckPageProps {
  readonly sheet: SpecSheet;
  readonly check: Check;
  /** the same check a revision earlier, when there was one */
  readonly before: Check | undefined;
  readonly beforeRevision: number | undefined;
}

/** One check of a sheet: how it is taken, with the limits drawn to scale, what it leads to, and what changed. */
export function CheckPage({ sheet, check, before, beforeRevision }: CheckPageProps) {
  const palette = usePalette();
  const router = useRouter();
  // when wide the sheet's own title stands beside it
  const Name = useWide() ? Heading : Title;
  const name = (id: string) => sheet.checks.find((c) => c.id === id)?.component ?? id;
  const link = (id: string, text: string) => (
    <Tap
      key={`${id}${text}`}
      role="link"
      label={`${name(id)}: ${text}`}
      onPress={() => router.push(`/specs/${encodeURIComponent(sheet.model)}/${id}`)}
      style={{ justifyContent: 'center' }}
    >
      <Row style={{ flexWrap: 'nowrap' }}>
        <Glyph decision="remeasure" color={palette.violet} size={20} />
        <View style={{ flex: 1 }}>
          <Strong tone="pine">{name(id)}</Strong>
          <Quiet>{text}</Quiet>
        </View>
      </Row>
    </Tap>
  );
  const comes = sheet.checks.flatMap((c) =>
    c.knockOns.flatMap((k) =>
      'check' in k && k.check === check.id ? [{ id: c.id, why: k.why }] : [],
    ),
  );
  const builds = Object.entries(check.when).map(([id, options]) => {
    const equipment = sheet.equipment.find((e) => e.id === id);
    return `${equipment?.name ?? id}: ${options.map((o) => equipment?.options.find((x) => x.id === o)?.name ?? o).join(' or ')}`;
  });
  const changed = before ? fieldChanges(before, check) : [];
  const fact = (label: string, value: string) =>
    value ? (
      <View style={{ minWidth: 150, flexGrow: 1, flexBasis: '45%' }}>
        <Quiet>{label}</Quiet>
        <Body>{value}</Body>
      </View>
    ) : null;
  return (
    <View style={{ gap: 12 }} testID="spec check">
      <View>
        <Quiet>{`${check.station} · ${check.stationName} · ${kindOf(check).name}`}</Quiet>
        <Name style={{ fontSize: 26, lineHeight: 32 }}>{check.component}</Name>
        <Quiet>{check.measures}</Quiet>
      </View>
      <Card>
        <Strong>{capital(wantWords(check))}</Strong>
        <Schematic check={check} />
        <Row style={{ alignItems: 'flex-start' }}>
          {fact('Position', check.position)}
          {fact(
            'Places',
            check.places.length > 6
              ? `${check.places.length}: ${check.places[0]} to ${check.places.at(-1)}`
              : check.places.join(', '),
          )}
          {fact(
            'Tool',
            check.kind === 'measure' || check.kind === 'series'
              ? `${check.tool.name}, ±${printAs(check.tool.resolution, check.style === 'inFraction' ? { ...check, style: 'inThou' } : check, 3)}`
              : check.tool.name,
          )}
          {fact('How often', capital(intervalWords(check.interval)))}
          {fact(
            'Labour',
            [
              `${printNumber(check.labour.measure, 0)} min to take`,
              check.labour.adjust ? `${printNumber(check.labour.adjust, 0)} to adjust` : '',
              check.labour.replace ? `${printNumber(check.labour.replace, 0)} to replace` : '',
            ]
              .filter(Boolean)
              .join(', '),
          )}
          {fact(
            'Shares a cover',
            check.labour.cover
              ? `${check.labour.cover.name}, ${check.labour.cover.minutes} min`
              : '',
          )}
          {fact('Only on', builds.join('; '))}
          {fact(
            'Parts',
            check.parts
              .map((p) => `${p.number} ${p.name}${p.each > 1 ? ` × ${p.each}` : ''}`)
              .join('; '),
          )}
        </Row>
      </Card>
      {changed.length ? (
        <Card edge="violet" testID="changed">
          <Heading>{`Changed since revision ${beforeRevision}`}</Heading>
          <FieldChanges fields={changed} />
        </Card>
      ) : null}
      {!before && beforeRevision ? (
        <Card edge="violet">
          <Heading>{`New since revision ${beforeRevision}`}</Heading>
        </Card>
      ) : null}
      {check.knockOns.length || comes.length || check.pairs.length ? (
        <Card>
          {check.knockOns.length ? <Heading>Work here changes</Heading> : null}
          {check.knockOns.map((k) =>
            'check' in k ? (
              link(k.check, k.why)
            ) : (
              <Row key={k.task}>
                <Body style={{ flex: 1 }}>{k.task}</Body>
              </Row>
            ),
          )}
          {comes.length ? <Heading>Taken again after work on</Heading> : null}
          {comes.map((c) => link(c.id, c.why))}
          {check.pairs.length ? <Heading>Renewed together with</Heading> : null}
          {check.pairs.map((p) =>
            link(p.check, `${p.why} From ${printNumber(p.from * 100, 0)} % worn.`),
          )}
        </Card>
      ) : null}
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
      </Card>
    </View>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
