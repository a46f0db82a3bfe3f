import { z } from 'zod';
import { checkBase } from '../../contracts/checkBase';
import { varying } from '../../contracts/varying';
import { ShortText } from '../../contracts/common';

/** The option found, against the one the next crop or header wants. */
export const SettingCheck = z
  .object({
    ...checkBase,
    ...varying({}),
    kind: z.literal('setting'),
    options: z.array(ShortText).min(2).max(12),
    expected: z
      .array(
        z.object({
          crop: ShortText.optional(),
          header: ShortText.optional(),
          option: ShortText,
          because: ShortText.optional(),
        }),
      )
      .max(60)
      .describe('what each crop and header want; empty: not entered yet'),
  })
  .superRefine((c, ctx) =>
    c.expected.forEach((e, i) => {
      if (!c.options.includes(e.option))
        ctx.addIssue({
          code: 'custom',
          path: ['expected', i, 'option'],
          message: `one of its options: ${c.options.join(', ')}`,
        });
    }),
  );
export type SettingCheck = z.infer<typeof SettingCheck>;

export const SettingValue = z.object({ kind: z.literal('setting'), option: ShortText });
