import { useEffect, useState } from 'react';
import { TextInput, View } from 'react-native';
import { median } from 'simple-statistics';
import { elongation } from '@green-tally/core/chain';
import {
  type CheckUnit,
  type MeasuredCheck,
  QUANTITY_UNITS,
  type Reading,
} from '@green-tally/core/contracts';
import { limitWords, wearFraction, wearLimitsOf } from '@green-tally/core/kinds';
import { printAs, printNumber } from '@green-tally/core/units';
import { useDraft } from '../store';
import { FONT, Glyph, Press, Quiet, Row, Strong, Tap, usePalette, useWide } from '../ui';
import { Schematic } from '../schematics/Schematic';
import type { EntryProps, Taken } from './entries';
import { readMeasured, readTravel } from './lengthText';

type Phase = 'measure' | 'travel';
/** Up to so many rows there is room for the drawing above them. */
const FEW_ROWS = 4;

/** The same measure at many places in one pass, then the travel left at each; what falls out of the family is challenged. */
export function SeriesEntry({
  check,
  places,
  readings,
  draftKey,
  onTake,
  onDone,
  frame,
  linksOut,
}: EntryProps<MeasuredCheck>) {
  const palette = usePalette();
  const wide = useWide();
  const valueAt = (place: string, kind: Phase): number | undefined => {
    const value = readings.findLast((r) => r.place === place && r.value.kind === kind)?.value;
    return value?.kind === 'measure'
      ? median(value.values)
      : value?.kind === 'travel'
        ? value.left
        : undefined;
  };
  const unread = (kind: Phase) =>
    places.filter(
      (p) =>
        valueAt(p, kind) === undefined &&
        !readings.some((r) => r.place === p && r.value.kind === 'skip'),
    );
  const phase: Phase = unread('measure').length || !check.takeUp ? 'measure' : 'travel';
  const [chosen, setChosen] = useState<string | undefined>();
  const place = chosen ?? unread(phase)[0] ?? places[0] ?? '';
  const [text, setText] = useDraft(`${draftKey}|${phase}`);
  const [unit, setUnit] = useState<CheckUnit>(check.unit);
  const [trouble, setTrouble] = useState<string | undefined>();
  const [challenge, setChallenge] = useState<
    { place: string; taken: Taken; by: number; typed: string } | undefined
  >();
  const limits = wearLimitsOf(check);
  const outOfFamily = check.kind === 'series' ? check.outOfFamily : Infinity;
  const units: readonly CheckUnit[] = QUANTITY_UNITS[check.quantity];
  const otherUnit = units[(units.indexOf(unit) + 1) % units.length] ?? unit;
  const before = places[places.indexOf(place) - 1];
  const same = before ? valueAt(before, phase) : undefined;

  useEffect(() => {
    if (typeof document !== 'undefined')
      document
        .querySelector(`[data-testid="cell ${place}"]`)
        ?.scrollIntoView({ block: 'center', behavior: 'smooth' });
  }, [place]);

  const store = async (taken: Taken) => {
    setChallenge(undefined);
    await onTake([taken]);
    setText('');
    setChosen(undefined);
    const left = unread(phase).filter((p) => p !== taken.place);
    if (!left.length && (phase === 'travel' || !check.takeUp)) onDone();
  };
  const take = async (mm: number, typed: string, written: string) => {
    setTrouble(undefined);
    if (phase === 'travel')
      return store({ place, value: { kind: 'travel', left: mm, linksOut, typed, unit: written } });
    const taken: Taken = {
      place,
      value: { kind: 'measure', values: [mm], typed: [typed], unit: written },
    };
    const others = places.filter((p) => p !== place).flatMap((p) => valueAt(p, 'measure') ?? []);
    const by = others.length >= 3 ? mm - median(others) : 0;
    if (Math.abs(by) > outOfFamily)
      return setChallenge({ place, taken, by, typed: `${typed} ${written}` });
    return store(taken);
  };
  const next = async () => {
    const travel =
      phase === 'travel' && check.takeUp
        ? readTravel(text, unit === 'in' ? 'in' : 'mm', check.takeUp.total)
        : undefined;
    const read =
      travel && 'mm' in travel
        ? { value: travel.mm, unit: travel.unit }
        : (travel ?? readMeasured(text, check, unit));
    if ('trouble' in read) return setTrouble(read.trouble);
    await take(read.value, text.trim(), read.unit);
  };

  const rows = groupBySides(places);
  const cell = (p: string) => {
    const mm = valueAt(p, 'measure');
    const left = valueAt(p, 'travel');
    const wear = mm === undefined || !limits ? 0 : wearFraction(mm, limits.nominal, limits.limit);
    const here = p === place;
    const words =
      mm === undefined
        ? '–'
        : check.limit.type === 'elongation'
          ? `${elongation(mm, check.limit.pitches, check.limit.pitch).toFixed(1)} %`
          : printAs(mm, check, 2);
    return (
      <Tap
        key={p}
        testID={`cell ${p}`}
        label={`${p}: ${mm === undefined ? 'not read' : words}${left === undefined ? '' : `, ${printNumber(left, 0)} mm travel left`}`}
        onPress={() => {
          setChosen(p);
          setChallenge(undefined);
        }}
        style={{
          flex: 1,
          minHeight: 48,
          borderRadius: 10,
          borderWidth: here ? 4 : 2,
          borderColor: here ? palette.pine : palette.line,
          backgroundColor: challenge?.place === p ? palette.violetTint : palette.card,
          overflow: 'hidden',
          justifyContent: 'center',
        }}
      >
        <View
          style={{ flexDirection: 'row', justifyContent: 'center', alignItems: 'baseline', gap: 8 }}
        >
          <Strong>{words}</Strong>
          {phase === 'travel' ? (
            <Quiet>{left === undefined ? '· – mm' : `· ${printNumber(left, 0)} mm`}</Quiet>
          ) : null}
        </View>
        <View
          style={{
            position: 'absolute',
            left: 0,
            bottom: 0,
            height: 6,
            width: `${Math.max(0, Math.min(1, wear)) * 100}%`,
            backgroundColor: wear >= 1 ? palette.rust : palette.ink,
          }}
        />
      </Tap>
    );
  };
  const body = (
    <>
      <Quiet>{`${limitWords(check, check, 1)}${phase === 'travel' && check.takeUp ? ` · now the travel left at each tightener, of ${check.takeUp.total} mm` : ''}`}</Quiet>
      {rows.rows.length <= FEW_ROWS ? <Schematic check={check} /> : null}
      <View style={{ gap: 6 }}>
        {rows.sides.length > 1 ? (
          <View style={{ flexDirection: 'row', gap: 6 }}>
            <Quiet style={{ width: 60 }}>row</Quiet>
            {rows.sides.map((s) => (
              <Quiet key={s} style={{ flex: 1, textAlign: 'center' }}>
                {s}
              </Quiet>
            ))}
          </View>
        ) : null}
        {rows.rows.map((r) => (
          <View key={r.name} style={{ flexDirection: 'row', gap: 6, alignItems: 'center' }}>
            <Strong style={{ width: 60 }}>{r.name}</Strong>
            {r.places.map(cell)}
          </View>
        ))}
      </View>
    </>
  );
  const keyStyle = {
    flex: 1,
    minHeight: 52,
    borderRadius: 12,
    borderWidth: 2,
    borderColor: palette.line,
    alignItems: 'center',
    justifyContent: 'center',
  } as const;
  const key = (
    title: string,
    onPress: () => void,
    fill?: 'pine',
    label = title,
    disabled = false,
  ) => (
    <Tap
      key={title}
      label={label}
      testID={`key ${title}`}
      disabled={disabled}
      onPress={onPress}
      style={[keyStyle, { backgroundColor: fill ? palette[fill] : palette.card }]}
    >
      <Strong
        style={{
          fontFamily: FONT.bold,
          fontSize: title.length > 2 ? 16 : 22,
          color: fill ? palette.onFill : palette.ink,
        }}
      >
        {title}
      </Strong>
    </Tap>
  );
  const type = (t: string) => {
    setText(t);
    setTrouble(undefined);
  };
  const footer = challenge ? (
    <View role="alert" style={{ gap: 10 }}>
      <Row>
        <Glyph decision="remeasure" color={palette.violet} />
        <Strong
          style={{ flex: 1 }}
          testID="challenge"
        >{`${capital(challenge.place)}, ${challenge.typed}: ${printAs(Math.abs(challenge.by), check, 1)} ${challenge.by > 0 ? (check.limit.type === 'elongation' ? 'longer' : 'more') : check.limit.type === 'elongation' ? 'shorter' : 'less'} than its neighbours.`}</Strong>
      </Row>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Press
          style={{ flex: 1 }}
          title="Retake"
          onPress={() => {
            setChallenge(undefined);
            setText('');
          }}
        />
        <Press
          style={{ flex: 1 }}
          fill="violet"
          title="Keep it"
          onPress={() => void store(challenge.taken)}
        />
      </View>
    </View>
  ) : (
    <View style={{ gap: 8 }}>
      <View
        style={{
          borderWidth: 3,
          borderColor: trouble ? palette.rust : palette.pine,
          borderRadius: 14,
          backgroundColor: palette.card,
          paddingHorizontal: 14,
          flexDirection: 'row',
          alignItems: 'center',
          gap: 8,
        }}
      >
        <Quiet
          style={{ flex: 1 }}
          testID="series place"
        >{`${place}${phase === 'travel' ? ', travel left' : ''}`}</Quiet>
        <TextInput
          testID="pad text"
          aria-label={`${place}, ${phase === 'travel' ? 'travel left' : check.quantity}, in ${unit}`}
          value={text}
          onChangeText={type}
          onSubmitEditing={() => void next()}
          submitBehavior="submit"
          inputMode="none"
          autoFocus={wide}
          maxLength={24}
          placeholder="–"
          placeholderTextColor={palette.quiet}
          style={{
            fontFamily: FONT.bold,
            fontSize: 30,
            color: palette.ink,
            textAlign: 'right',
            width: 150,
            minHeight: 48,
            fontVariant: ['tabular-nums'],
          }}
        />
        <Strong>{unit}</Strong>
      </View>
      {trouble ? (
        <View role="alert">
          <Strong tone="rust" testID="pad trouble">
            {trouble}
          </Strong>
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', gap: 6 }}>
        {['1', '2', '3', '4', '5'].map((d) => key(d, () => type(text + d)))}
        {key(
          'same',
          () => {
            if (same !== undefined) void take(same, printNumber(same, 3), units[0] ?? 'mm');
          },
          undefined,
          same === undefined
            ? 'same as the one before'
            : `same as the one before, ${printNumber(same, 1)} ${units[0] ?? 'mm'}`,
          same === undefined,
        )}
      </View>
      <View style={{ flexDirection: 'row', gap: 6 }}>
        {['6', '7', '8', '9', '0'].map((d) => key(d, () => type(text + d)))}
        {key('next', () => void next(), 'pine')}
      </View>
      <View style={{ flexDirection: 'row', gap: 6 }}>
        {key('.', () => type(`${text}.`), undefined, 'decimal point')}
        {key('/', () => type(`${text}/`), undefined, 'fraction stroke')}
        {key('␣', () => type(`${text} `), undefined, 'space')}
        {key('⌫', () => type(text.slice(0, -1)), undefined, 'delete')}
        {otherUnit === unit
          ? null
          : key(
              otherUnit === 'in' ? 'inch' : otherUnit,
              () => setUnit(otherUnit),
              undefined,
              `unit is ${unit}, change`,
            )}
        {key(
          'skip',
          () => void store({ place, value: { kind: 'skip', why: 'out of reach' } }),
          undefined,
          `skip ${place}: out of reach`,
        )}
      </View>
    </View>
  );
  return <>{frame(body, footer)}</>;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** "row 3 left" and "row 3 right" into one row with two sides; other places a row each. */
export function groupBySides(places: readonly string[]): {
  sides: readonly string[];
  rows: { name: string; places: string[] }[];
} {
  const split = places.map((p) => /^(?:row )?(.+) (left|right)$/.exec(p));
  if (split.some((s) => !s))
    return { sides: [], rows: places.map((p) => ({ name: p, places: [p] })) };
  const rows: { name: string; places: string[] }[] = [];
  places.forEach((p, i) => {
    const name = split[i]?.[1] ?? p;
    const row = rows.find((r) => r.name === name);
    if (row) row.places.push(p);
    else rows.push({ name, places: [p] });
  });
  return { sides: [...new Set(split.map((s) => s?.[2] ?? ''))], rows };
}

/** Whether a series is read through: every place measured or skipped, with its travel where the check has an adjuster. */
export function seriesDone(
  check: MeasuredCheck,
  places: readonly string[],
  readings: readonly Reading[],
): boolean {
  return places.every((p) => {
    const own = readings.filter((r) => r.place === p);
    return (
      own.some((r) => r.value.kind === 'skip') ||
      (own.some((r) => r.value.kind === 'measure') &&
        (!check.takeUp || own.some((r) => r.value.kind === 'travel')))
    );
  });
}
