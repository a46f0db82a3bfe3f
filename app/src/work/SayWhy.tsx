import { useState } from 'react';
import { Press, TextEntry } from '../ui';

interface SayWhyProps {
  /** what is done: "Leave it" */
  readonly title: string;
  /** what the reason is asked by: "Why the fan drive belt is left" */
  readonly asked: string;
  /** what it is of, for a screen reader */
  readonly name: string;
  readonly onSay: (why: string) => Promise<boolean>;
}

/** A person decides otherwise than the verdict, with a reason that is kept. */
export function SayWhy({ title, asked, name, onSay }: SayWhyProps) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  if (!open)
    return (
      <Press
        title={`${title}, say why`}
        label={`${title}, say why: ${name}`}
        onPress={() => setOpen(true)}
        small
      />
    );
  return (
    <>
      <TextEntry label={asked} value={why} onChange={setWhy} hint="" />
      <Press
        title={title}
        label={`${title}: ${name}`}
        disabled={!why.trim()}
        onPress={() => void onSay(why)}
        small
      />
    </>
  );
}
