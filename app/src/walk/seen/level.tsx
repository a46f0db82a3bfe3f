import { z } from 'zod';
import { Choice, Quiet } from '../../ui';
import type { SeenKind } from './seenKind';

const Stands = z.enum(['low', 'right', 'high']);

/** Low, right or high at its eye, and the colour where it tells something. */
export const level: SeenKind<'level'> = {
  question: 'Where does it stand?',
  answers: () => [
    { value: 'low', title: 'Low' },
    { value: 'right', title: 'Right' },
    { value: 'high', title: 'High' },
  ],
  usual: () => 'right',
  value: (_, { choice, text }) => ({
    value: { kind: 'level', level: Stands.parse(choice), colour: text },
  }),
  Wanted: ({ check }) => <Quiet>{`${check.product}, read at the ${check.eye}`}</Quiet>,
  More: ({ check, seen, of, onChange }) =>
    check.colours.length ? (
      <Choice
        label={`Its colour${of}`}
        value={seen.text === '' ? undefined : seen.text}
        onChange={(text: string) => onChange({ text })}
        options={['clear', ...check.colours].map((c) => ({ value: c, title: c }))}
      />
    ) : null,
};
