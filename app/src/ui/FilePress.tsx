import { useRef } from 'react';
import { Press } from './Press';

/** A text file as it was chosen. */
export interface PickedFile {
  readonly name: string;
  readonly text: string;
}

interface ChooseProps {
  readonly title: string;
  /** said by screen readers at the file field */
  readonly label: string;
  readonly testID: string;
  readonly accept: string;
  readonly busy: boolean;
  readonly onChoose: (file: File) => void;
  /** the camera is opened at once, where there is one */
  readonly camera?: boolean;
  readonly fill?: 'pine' | undefined;
  readonly small?: boolean;
}

/** A button that opens the platform's way of choosing a file, or of taking a photo. */
export function ChoosePress(props: ChooseProps) {
  const { title, label, testID, accept, busy, onChoose, camera, fill, small = false } = props;
  const input = useRef<HTMLInputElement | null>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        {...(camera ? { capture: 'environment' as const } : {})}
        aria-label={label}
        data-testid={testID}
        hidden
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          // the same file can be chosen again
          e.target.value = '';
          if (file) onChoose(file);
        }}
      />
      <Press
        title={title}
        fill={fill}
        small={small}
        loading={busy}
        onPress={() => input.current?.click()}
      />
    </>
  );
}

interface FilePressProps extends Omit<ChooseProps, 'onChoose' | 'camera' | 'fill' | 'small'> {
  readonly onPick: (file: PickedFile) => void;
}

/** The same for a text file, where planners work. */
export function FilePress({ onPick, ...props }: FilePressProps) {
  const pick = async (file: File) => onPick({ name: file.name, text: await file.text() });
  return <ChoosePress {...props} small onChoose={(file) => void pick(file)} />;
}
