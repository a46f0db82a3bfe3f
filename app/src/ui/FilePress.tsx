import { useRef } from 'react';
import { Press } from './Press';

/** A text file as it was chosen. */
export interface PickedFile {
  readonly name: string;
  readonly text: string;
}

interface FilePressProps {
  readonly title: string;
  /** said by screen readers at the file field */
  readonly label: string;
  readonly testID: string;
  readonly accept: string;
  readonly busy: boolean;
  readonly onPick: (file: PickedFile) => void;
}

/** A button that opens the platform's way of choosing a file; web only, where planners work. */
export function FilePress({ title, label, testID, accept, busy, onPick }: FilePressProps) {
  const input = useRef<HTMLInputElement | null>(null);
  const pick = async (file: File | undefined) => {
    if (file) onPick({ name: file.name, text: await file.text() });
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        data-testid={testID}
        hidden
        onChange={(e) => {
          void pick(e.target.files?.[0]);
          // the same file can be chosen again
          e.target.value = '';
        }}
      />
      <Press title={title} onPress={() => input.current?.click()} loading={busy} small />
    </>
  );
}
