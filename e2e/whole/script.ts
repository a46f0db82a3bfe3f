/** A check as the API tells it; only what a script of readings is made from. */
export interface Check {
  readonly id: string;
  readonly kind: string;
  readonly places: readonly string[];
  readonly limit?: {
    readonly type: string;
    readonly nominal?: number;
    readonly limit?: number;
    readonly low?: number;
    readonly high?: number;
    readonly pitch?: number;
    readonly pitches?: number;
    readonly percent?: number;
  };
  readonly takeUp?: { readonly total: number; readonly reserve: number };
  readonly good?: string;
  readonly options?: readonly string[];
  readonly asks?: string;
  readonly amount?: number;
  readonly asksPlay?: boolean;
  readonly perPlace?: Readonly<Record<string, object>>;
}

/** One reading of the script: what is entered, and what the database must hold of it. */
export interface Line {
  readonly check: string;
  readonly place: string;
  /** as the readings file writes it */
  readonly quantity: string;
  readonly value: string;
}

/** Dice that fall the same way for the same seed (mulberry32). */
export function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** What is entered of a check, place by place. */
export interface Entry {
  readonly place: string;
  /** length typed, mark, feel, gauge, grade, level, option, amount */
  readonly value: string;
  /** travel left typed, where there is an adjuster */
  readonly left: string;
}

/** The script of a check: a believable value at every place, the same for the same seed. */
export function entriesOf(check: Check, roll: () => number): readonly Entry[] {
  // one family: what many places are read at differs by little
  const share = 0.1 + 0.3 * roll();
  return check.places.map((place) => {
    const here: Check = { ...check, ...check.perPlace?.[place] };
    const travel = here.takeUp
      ? Math.round(here.takeUp.reserve + 0.8 * (here.takeUp.total - here.takeUp.reserve))
      : undefined;
    return {
      place,
      value: valueOf(here, share + 0.01 * roll()),
      left: travel === undefined ? '' : String(travel),
    };
  });
}

/** What is entered at a place, by the kind of its check; a count has nothing wrong in it. */
const VALUES: Readonly<Record<string, (check: Check, share: number) => string>> = {
  measure: lengthOf,
  series: lengthOf,
  mark: () => 'at',
  feel: () => 'just slides',
  gonogo: ({ good }) => (good === 'doesNotFit' ? 'does not fit' : 'fits'),
  condition: (_, share) => (share > 0.36 ? 'marked' : 'sound'),
  level: () => 'right',
  setting: ({ options }) => options?.[0] ?? '',
  service: ({ asks, amount }) => (asks === 'done' ? '' : String(amount ?? 1)),
};

const valueOf = (check: Check, share: number): string => VALUES[check.kind]?.(check, share) ?? '';

function lengthOf({ limit }: Check, share: number): string {
  if (!limit) return '1';
  const { nominal, limit: end, low, high, pitch = 0, pitches = 0, percent = 2 } = limit;
  if (nominal !== undefined && end !== undefined)
    return text(nominal + share * (end - nominal), Math.abs(end - nominal));
  if (limit.type === 'elongation')
    return text(pitch * pitches * (1 + (share * percent) / 100), (pitch * pitches * percent) / 100);
  if (low !== undefined || high !== undefined) {
    const from = low ?? (high ?? 0) / 2;
    const to = high ?? from * 1.2;
    return text(from + (to - from) * (0.4 + share / 5), to - from);
  }
  return '100';
}

/** As many digits as the width of what is allowed asks for. */
const text = (value: number, width: number): string =>
  String(Number(value.toFixed(width < 2 ? 2 : width < 20 ? 1 : 0)));

/** What the database must hold once a check's entries are in it. */
export function linesOf(check: Check, entries: readonly Entry[]): readonly Line[] {
  return entries.flatMap(({ place, value, left }) => {
    const line = (quantity: string, said: string): Line => ({
      check: check.id,
      place,
      quantity,
      value: said,
    });
    return [
      line(check.kind === 'series' ? 'measure' : check.kind, saidOf(check, value)),
      ...(left ? [line('travel', left)] : []),
    ];
  });
}

function saidOf(check: Check, value: string): string {
  if (check.kind === 'feel') return check.asksPlay ? `${value}, no play` : value;
  if (check.kind === 'condition')
    return value === 'marked' ? 'marked // seen by the script' : value;
  if (check.kind === 'service') return value ? `done ${value}` : 'done';
  if (check.kind === 'count') return 'missing=0 damaged=0 one_edge=0 both_edges=0';
  return value;
}
