import type { Check } from '../contracts';
import { InputError } from '../units';
import { minutesFor, type ProposedWork } from './propose';

/** What a person may change of some work before it is accepted. */
export interface WorkEdit {
  readonly decision: ProposedWork['decision'];
  readonly minutes: number;
  /** by number; none leaves the part out */
  readonly quantities: Readonly<Record<string, number>>;
}

/**
 * Some work as a person changed it, and beside it how it was proposed. Another decision brings its
 * own minutes unless they are changed too.
 * @returns the work as it is, with nothing beside it, where nothing was changed
 */
export function edited(
  work: ProposedWork,
  { decision, minutes, quantities }: WorkEdit,
): { readonly work: ProposedWork; readonly proposed: WorkProposed | null } {
  const parts = work.parts.flatMap((part) => {
    const quantity = quantities[part.number] ?? part.quantity;
    if (quantity === part.quantity) return [part];
    if (quantity <= 0) return [];
    const order = part.soldIn === undefined ? {} : { order: boxes(quantity, part.soldIn) };
    return [{ ...part, quantity, ...order }];
  });
  const same =
    decision === work.decision &&
    minutes === work.minutes &&
    parts.every((p, i) => p === work.parts[i]) &&
    parts.length === work.parts.length;
  return same
    ? { work, proposed: null }
    : {
        work: { ...work, decision, minutes, parts },
        proposed: { decision: work.decision, minutes: work.minutes, parts: work.parts },
      };
}

type WorkProposed = Pick<ProposedWork, 'decision' | 'minutes' | 'parts'>;

const boxes = (quantity: number, soldIn: number): number => soldIn * Math.ceil(quantity / soldIn);

/** Minutes that another decision on the same places takes by the sheet. */
export const minutesBySheet = (
  check: Check,
  decision: ProposedWork['decision'],
  places: number,
): number => minutesFor(check, decision) * (check.labourPer === 'check' ? 1 : places);

/**
 * Minutes as a person types them: "45", "37.5".
 * @throws InputError
 */
export function parseMinutes(field: string, text: string, least = 0): number {
  const typed = text.trim().replace(',', '.');
  const minutes = /^\d+(\.\d+)?$/.test(typed) ? Number(typed) : NaN;
  if (!(minutes >= least && minutes <= MOST_MINUTES))
    throw new InputError(field, text, `minutes in figures, from ${least} to ${MOST_MINUTES}`);
  return minutes;
}

/** A hundred hours on one item are a slip of the finger. */
const MOST_MINUTES = 6000;
