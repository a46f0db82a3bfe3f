import { z } from 'zod';
import { Chip, Row, SPACE, TextEntry } from '../../ui';
import type { MoreProps, SeenKind } from './seenKind';

const Grade = z.enum(['sound', 'marked', 'damaged']);

/** Sound, marked or damaged, with what was seen. */
export const condition: SeenKind<'condition'> = {
  question: 'What does it look like?',
  answers: () => [
    { value: 'sound', title: 'Sound' },
    { value: 'marked', title: 'Marked' },
    { value: 'damaged', title: 'Damaged' },
  ],
  usual: () => 'sound',
  value: (_, { choice, seen, text }) => {
    const grade = Grade.parse(choice);
    if (grade === 'sound') return { value: { kind: 'condition', grade, seen: [], found: '' } };
    if (!seen.length && !text.trim()) return { trouble: 'Say what was seen.' };
    return { value: { kind: 'condition', grade, seen: [...seen], found: text.trim() } };
  },
  More: WhatWasSeen,
};

function WhatWasSeen({ check, seen, of, onChange }: MoreProps<'condition'>) {
  if (seen.choice !== 'marked' && seen.choice !== 'damaged') return null;
  const toggle = (what: string) =>
    onChange({
      seen: seen.seen.includes(what) ? seen.seen.filter((s) => s !== what) : [...seen.seen, what],
    });
  return (
    <>
      <Row gap={SPACE.s}>
        {check.looksFor.map((what) => (
          <Chip
            key={what}
            title={what}
            on={seen.seen.includes(what)}
            onPress={() => toggle(what)}
          />
        ))}
      </Row>
      <TextEntry
        label={`What else was seen${of}`}
        value={seen.text}
        onChange={(text) => onChange({ text })}
        hint="where, how far"
      />
    </>
  );
}
