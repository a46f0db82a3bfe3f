import type { Check, CheckOf, Machine, SpecSheet } from '../contracts';
import { expectedOption } from '../kinds';
import { checksFor, walkPlan, type KnownBuild } from './checks';

/** A crop, and the header that cuts it. */
export interface Outfit {
  readonly crop: string;
  /** model of the header; undefined for none */
  readonly header: string | undefined;
}

/** A setting that stands otherwise for another crop or header. */
export interface SettingMove {
  readonly check: CheckOf<'setting'>;
  /** what the one wants; undefined where its sheet says nothing */
  readonly from: string | undefined;
  /** what the other wants; undefined where its sheet says nothing: somebody has to decide */
  readonly to: string | undefined;
  readonly because: string;
}

/**
 * The settings of a machine to move from one crop and header to another, in the order that moves
 * the machine least. What the header that comes on wants by itself is among them, from wherever it
 * stands.
 * @param sheets of the combine and of both headers
 */
export function settingsToMove(
  machine: KnownBuild,
  sheets: readonly SpecSheet[],
  from: Outfit,
  to: Outfit,
): readonly SettingMove[] {
  const then: KnownBuild = { ...machine, header: withHeader(machine.header, to.header) };
  const own = sheets.filter((s) => s.model === then.model || s.model === then.header?.model);
  const moved = new Map<string, SettingMove>();
  for (const check of checksFor(then, own)) {
    if (check.kind !== 'setting') continue;
    const before = comesOn(check, from, to) ? undefined : wantedOf(check, from);
    const after = wantedOf(check, to);
    if (before?.option === after?.option && before !== undefined) continue;
    moved.set(check.id, {
      check,
      from: before?.option,
      to: after?.option,
      because: after?.because ?? '',
    });
  }
  const order = walkPlan(then, own, { checks: [...moved.keys()], minutes: null }).checks;
  return order.flatMap((c) => moved.get(c.id) ?? []);
}

/** Whether a check is of a header that was not on before: nothing is known of how it stands. */
const comesOn = (check: Check, from: Outfit, to: Outfit): boolean =>
  check.on === 'header' && from.header !== to.header;

const wantedOf = (check: CheckOf<'setting'>, { crop, header }: Outfit) =>
  expectedOption(check, crop, header);

/** The header that is on, or one of another model whose serial is not known yet. */
function withHeader(on: Machine['header'], model: string | undefined): Machine['header'] {
  if (model === undefined) return null;
  return on?.model === model ? on : { model, serial: '' };
}

/** Crops that the sheets of a machine know settings for, by name. */
export function cropsOf(sheets: readonly SpecSheet[]): string[] {
  const crops = sheets.flatMap((s) =>
    s.checks.flatMap((c) => (c.kind === 'setting' ? c.expected.flatMap((e) => e.crop ?? []) : [])),
  );
  return [...new Set(crops)].sort((a, b) => a.localeCompare(b));
}
