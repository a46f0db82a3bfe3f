import { z } from 'zod';
import { Choice, Quiet, TextEntry } from '../../ui';
import type { MoreProps, SeenKind } from './seenKind';

const Stands = z.enum(['low', 'right', 'high']);

/**
 * Low, right or high at its eye, the colour where it tells something, what was added and what is in
 * it.
 */
export const level: SeenKind<'level'> = {
  question: 'Where does it stand?',
  answers: () => [
    { value: 'low', title: 'Low' },
    { value: 'right', title: 'Right' },
    { value: 'high', title: 'High' },
  ],
  usual: () => 'right',
  value: (_, { choice, text, seen: [product = '', added = ''] }) => {
    const toppedUp = added.trim() === '' ? null : Number(added.trim().replace(',', '.'));
    return toppedUp !== null && !(toppedUp >= 0 && toppedUp <= 1000)
      ? { trouble: `"${added}" is not a number of litres.` }
      : {
          value: {
            kind: 'level',
            level: Stands.parse(choice),
            colour: text,
            product: product.trim(),
            toppedUp,
          },
        };
  },
  Wanted: ({ check }) => <Quiet>{`${check.product}, read at the ${check.eye}`}</Quiet>,
  More: WhatIsIn,
};

function WhatIsIn({ check, seen, of, onChange }: MoreProps<'level'>) {
  const [product = '', added = ''] = seen.seen;
  return (
    <>
      {check.colours.length ? (
        <Choice
          label={`Its colour${of}`}
          value={seen.text === '' ? undefined : seen.text}
          onChange={(text: string) => onChange({ text })}
          options={['clear', ...check.colours].map((c) => ({ value: c, title: c }))}
        />
      ) : null}
      {seen.choice ? (
        <>
          <TextEntry
            label={`Added, litres${of}`}
            value={added}
            onChange={(text) => onChange({ seen: [product, text] })}
            hint="none"
            numeric
          />
          <TextEntry
            label={`Another product than ${check.product}${of}`}
            value={product}
            onChange={(text) => onChange({ seen: [text, added] })}
            hint="leave empty when it is the book's"
          />
        </>
      ) : null}
    </>
  );
}
