import { useState } from 'react';
import {
  QUANTITY_UNITS,
  CheckUnit,
  type MeasuredCheck,
  type Reading,
} from '@green-tally/core/contracts';
import { middleOf } from '@green-tally/core/findings';
import { atPlace } from '@green-tally/core/kinds';
import { newestOf } from '@green-tally/core/history';
import { printNumber } from '@green-tally/core/units';
import { useTextDraft } from '../../store';
import type { EntryProps, Taken } from '../entries';
import { useToolAtHand } from '../tools/useToolAtHand';
import { readMeasured, readTravel } from '../readText';

/** What is read in this pass over the places. */
export type Pass = 'measure' | 'travel';

/** A value that falls out of the family, until a person has said whether it stands. */
export interface Challenge {
  readonly taken: Taken;
  /** how far off its neighbours, in the core's own unit, signed */
  readonly by: number;
  /** as it was typed, with its unit */
  readonly typed: string;
}

/** Neighbours it takes to know the family. */
const A_FAMILY = 3;

/**
 * A series as it is taken: the place and pass it stands at, what is typed, and what is challenged.
 */
export function useSeries({
  check,
  places,
  readings,
  draftKey,
  linksOut,
  onTake,
  onDone,
}: EntryProps<MeasuredCheck>) {
  const valueAt = (place: string, pass: Pass): number | undefined => {
    const own = readings.filter((r) => r.place === place);
    const measured = newestOf(own, 'measure')?.value.values;
    return pass === 'travel' ? newestOf(own, 'travel')?.value.left : measured && middleOf(measured);
  };
  /** what a value typed at a place that was read takes the stead of */
  const readAt = (place: string, pass: Pass): Reading | undefined =>
    newestOf(
      readings.filter((r) => r.place === place),
      pass,
    );
  const skipped = (place: string) =>
    readings.some((r) => r.place === place && r.value.kind === 'skip');
  const unread = (pass: Pass) =>
    places.filter((p) => valueAt(p, pass) === undefined && !skipped(p));
  const pass: Pass = unread('measure').length || !check.takeUp ? 'measure' : 'travel';
  const [chosen, setChosen] = useState<string | undefined>();
  const place = chosen ?? unread(pass)[0] ?? places[0] ?? '';
  const [text, setText] = useTextDraft(`${draftKey}|${pass}`);
  const [unit, setUnit] = useState<CheckUnit>(check.unit);
  const [trouble, setTrouble] = useState<string | undefined>();
  const [challenge, setChallenge] = useState<Challenge | undefined>();
  const ownUnit = QUANTITY_UNITS[check.quantity][0];

  const hand = useToolAtHand(
    check,
    (sent) => {
      if (sent.quantity !== (pass === 'travel' ? 'length' : check.quantity)) return;
      setUnit(CheckUnit.parse(sent.unit));
      setText(printNumber(sent.value, 4));
      setTrouble(undefined);
    },
    { draftKey, text: pass === 'measure' ? text : '' },
  );

  const wrong = readAt(place, pass);
  const store = async (taken: Taken) => {
    setChallenge(undefined);
    const left = unread(pass).filter((p) => p !== taken.place);
    const last = !left.length && (pass === 'travel' || !check.takeUp);
    if (!(await onTake([{ ...taken, strikes: wrong?.id, tool: hand.tool }], last))) return;
    setText('');
    setChosen(undefined);
    if (last) onDone();
  };
  const take = async (value: number, typed: string, written: string) => {
    setTrouble(undefined);
    if (pass === 'travel')
      return store({
        place,
        value: { kind: 'travel', left: value, linksOut, typed, unit: written },
      });
    const taken: Taken = {
      place,
      value: { kind: 'measure', values: [value], typed: [typed], unit: written },
    };
    // only places with the same limit are of one family
    const { limit } = atPlace(check, place);
    const others = places
      .filter((p) => p !== place && atPlace(check, p).limit === limit)
      .flatMap((p) => valueAt(p, 'measure') ?? []);
    const by = others.length >= A_FAMILY ? value - middleOf(others) : 0;
    const most = check.kind === 'series' ? check.outOfFamily : Infinity;
    if (Math.abs(by) > most) return setChallenge({ taken, by, typed: `${typed} ${written}` });
    return store(taken);
  };
  const before = places[places.indexOf(place) - 1];
  const same = before === undefined ? undefined : valueAt(before, pass);

  return {
    pass,
    place,
    text,
    unit,
    trouble,
    challenge,
    valueAt,
    hand,
    /** the reading of this place that what is typed now strikes */
    wrong,
    same: same === undefined ? undefined : `${printNumber(same, 1)} ${ownUnit}`,
    type: (typed: string) => {
      setText(typed);
      setTrouble(undefined);
    },
    setUnit,
    choose: (wanted: string) => {
      setChosen(wanted);
      setChallenge(undefined);
    },
    next: async () => {
      const read =
        pass === 'travel' && check.takeUp
          ? readTravel(text, unit === 'in' ? 'in' : 'mm', check.takeUp.total)
          : readMeasured(text, check, unit);
      if ('trouble' in read) return setTrouble(read.trouble);
      await take(read.value, text.trim(), read.unit);
    },
    takeSame: () => (same === undefined ? undefined : take(same, printNumber(same, 3), ownUnit)),
    skip: () => store({ place, value: { kind: 'skip', why: 'out of reach' } }),
    keep: () => (challenge ? store(challenge.taken) : undefined),
    retake: () => {
      setChallenge(undefined);
      setText('');
    },
  };
}

export type Series = ReturnType<typeof useSeries>;
