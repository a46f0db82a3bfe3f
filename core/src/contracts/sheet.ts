import { z } from 'zod';
import { Check } from './check';
import { LongText, Revision, ShortText, Slug } from './common';
import { Position } from './positions';
import { partTroubles, positionTroubles, together, varyingTroubles } from './sheetTroubles';

/**
 * A choice of build that decides which checks a machine has: "feeder-drive" is "variable" or
 * "fixed". The first option is taken where nothing is said.
 */
export const Equipment = z.object({
  id: Slug,
  name: ShortText,
  options: z
    .array(z.object({ id: Slug, name: ShortText }))
    .min(2)
    .max(8),
});
export type Equipment = z.infer<typeof Equipment>;

/**
 * A subject where good people disagree: the ways there are, each with its reason, and the one this
 * sheet follows. Checks name the ways they belong to as they name equipment, in `when`.
 */
export const School = z
  .object({
    id: Slug,
    subject: ShortText,
    options: z
      .array(z.object({ id: Slug, name: ShortText, why: LongText.min(1, 'why people do it so') }))
      .min(2)
      .max(8),
    chosen: Slug.describe('the way in force'),
  })
  .superRefine(({ options, chosen }, ctx) => {
    const ids = options.map((o) => o.id);
    if (!ids.includes(chosen))
      ctx.addIssue({ code: 'custom', path: ['chosen'], message: `one of ${ids.join(', ')}` });
    if (new Set(ids).size !== ids.length)
      ctx.addIssue({ code: 'custom', path: ['options'], message: 'ways with ids that differ' });
  });
export type School = z.infer<typeof School>;

/**
 * Minutes to bring the machine from one position to another; `usual` where the table says nothing.
 */
export const Moves = z.object({
  usual: z.number().finite().nonnegative().max(240).default(3),
  table: z
    .array(
      z.object({
        from: ShortText,
        to: ShortText,
        minutes: z.number().finite().nonnegative().max(240),
      }),
    )
    .max(400)
    .default([]),
});
export type Moves = z.infer<typeof Moves>;

/** The checks of one model, combine or header, at one revision. */
export const SpecSheet = z
  .object({
    model: ShortText,
    maker: ShortText,
    machine: z.enum(['combine', 'header']),
    revision: Revision,
    remark: LongText.default(''),
    equipment: z.array(Equipment).max(20).default([]),
    schools: z.array(School).max(20).default([]).describe('where good people disagree'),
    moves: Moves.default({ usual: 3, table: [] }),
    positions: z
      .array(Position)
      .max(60)
      .default([])
      .describe('how the machine stands in each position its checks name; empty: by name alone'),
    checks: z.array(Check).min(1).max(2500),
  })
  .superRefine((sheet, ctx) => {
    const wrong = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: 'custom', path, message });
    const ids = new Set<string>();
    sheet.checks.forEach((check, i) => {
      if (ids.has(check.id))
        wrong(['checks', i, 'id'], `an id not used before; "${check.id}" is there twice`);
      ids.add(check.id);
    });
    const choices = [...sheet.equipment, ...sheet.schools];
    const equipment = new Map(choices.map((e) => [e.id, new Set(e.options.map((o) => o.id))]));
    if (new Set(sheet.equipment.map((e) => e.id)).size !== sheet.equipment.length)
      wrong(['equipment'], 'equipment with ids that are all different');
    else if (equipment.size !== choices.length)
      wrong(['schools'], 'schools with ids of their own, that no equipment has');
    const slots = new Map<string, { check: Check; index: number }[]>();
    sheet.checks.forEach((check, i) => {
      if (new Set(check.places).size !== check.places.length)
        wrong(['checks', i, 'places'], 'places that are all different');
      if (check.on !== sheet.machine)
        wrong(['checks', i, 'on'], `"${sheet.machine}", as the sheet`);
      check.knockOns.forEach((k, j) => {
        if ('check' in k && k.check === check.id)
          wrong(['checks', i, 'knockOns', j, 'check'], 'another check than itself');
        else if ('check' in k && !ids.has(k.check))
          wrong(
            ['checks', i, 'knockOns', j, 'check'],
            `a check of this sheet; there is no "${k.check}"`,
          );
      });
      check.pairs.forEach((p, j) => {
        if (p.check === check.id || !ids.has(p.check))
          wrong(
            ['checks', i, 'pairs', j, 'check'],
            p.check === check.id
              ? 'another check than itself'
              : `a check of this sheet; there is no "${p.check}"`,
          );
      });
      for (const [id, options] of Object.entries(check.when)) {
        const known = equipment.get(id);
        if (!known)
          wrong(
            ['checks', i, 'when', id],
            `equipment or a school of this sheet: ${[...equipment.keys()].join(', ') || 'it names none'}`,
          );
        else
          options.forEach((o, j) => {
            if (!known.has(o))
              wrong(['checks', i, 'when', id, j], `one of ${[...known].join(', ')}`);
          });
      }
      const slot = `${check.component}\u0000${check.measures}`;
      const others = slots.get(slot) ?? [];
      const clash = others.find(
        (o) => o.check.places.some((p) => check.places.includes(p)) && together(o.check, check),
      );
      if (clash)
        wrong(
          ['checks', i, 'when'],
          `a build of its own: "${clash.check.id}" is the same component, measure and place on the same build`,
        );
      slots.set(slot, [...others, { check, index: i }]);
      for (const t of varyingTroubles(check, sheet)) wrong(['checks', i, ...t.path], t.message);
    });
    for (const t of [...positionTroubles(sheet), ...partTroubles(sheet)])
      wrong([...t.path], t.message);
  });
export type SpecSheet = z.infer<typeof SpecSheet>;
