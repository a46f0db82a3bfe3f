import { printNumber } from '@green-tally/core/units';
import { wantWords } from '@green-tally/core/kinds';
import { Quiet, TextEntry } from '../../ui';
import type { MoreProps, SeenKind } from './seenKind';

/** Done now: how much, and of what when it is not the book's. */
export const service: SeenKind<'service'> = {
  question: 'Is it done?',
  answers: () => [{ value: 'done', title: 'Done now' }],
  usual: () => 'done',
  value: (check, { seen, text }) => {
    const product = seen[0]?.trim() ?? '';
    if (text.trim() === '')
      return check.asks === 'done'
        ? { value: { kind: 'service', amount: null, product } }
        : {
            trouble: `How many ${check.asks}? ${printNumber(check.amount ?? 0, 1)} are wanted.`,
          };
    const amount = Number(text.replace(',', '.'));
    return Number.isFinite(amount) && amount >= 0 && amount <= 10_000
      ? { value: { kind: 'service', amount, product } }
      : { trouble: `"${text}" is not a number of ${check.asks}.` };
  },
  Wanted: ({ check }) => {
    const most = check.most === undefined ? '' : `, never more than ${printNumber(check.most, 1)}`;
    return <Quiet>{`${wantWords(check)}${most}`}</Quiet>;
  },
  More: HowMuch,
};

function HowMuch({ check, seen, of, onChange }: MoreProps<'service'>) {
  if (seen.choice !== 'done') return null;
  return (
    <>
      {check.asks === 'done' ? null : (
        <TextEntry
          label={`How many ${check.asks}${of}`}
          value={seen.text}
          onChange={(text) => onChange({ text })}
          hint={printNumber(check.amount ?? 0, 1)}
          numeric
        />
      )}
      <TextEntry
        label={`Another product than ${check.product}${of}`}
        value={seen.seen[0] ?? ''}
        onChange={(product) => onChange({ seen: product ? [product] : [] })}
        hint="leave empty when it is the book's"
      />
    </>
  );
}
