import { Activity, startTransition, useCallback, useState } from 'react';
import { checksFor } from '@green-tally/core/walk';
import { CheckInWalk, type CheckInWalkProps } from './CheckInWalk';

type CheckAndNextProps = Omit<CheckInWalkProps, 'ahead' | 'onNext'>;

/**
 * One check of the walk, and while its verdict is read the next one, drawn unseen: the tap that asks
 * for it finds it there. Whatever else there is to draw goes before it.
 */
export function CheckAndNext({ check, ...known }: CheckAndNextProps) {
  const [next, setNext] = useState<{ readonly of: string; readonly id: string | undefined }>();
  const { file } = known;
  const onNext = useCallback(
    (of: string, id: string | undefined) => startTransition(() => setNext({ of, id })),
    [],
  );
  const ahead =
    next?.of === check.id && next.id !== check.id
      ? checksFor(file.machine, file.sheets).filter((c) => c.id === next.id)
      : [];
  return [check, ...ahead].map((c) => (
    <Activity key={c.id} mode={c === check ? 'visible' : 'hidden'}>
      <CheckInWalk {...known} check={c} ahead={c !== check} onNext={onNext} />
    </Activity>
  ));
}
