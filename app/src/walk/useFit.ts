import { useEffect, useMemo, useState } from 'react';
import type { MachineFile } from '@green-tally/core/contracts';
import {
  allOf,
  fittedFrom,
  fitTime,
  offersOf,
  type Candidate,
  type FittedWalk,
  type TimeFit,
} from '@green-tally/core/choose';
import { movesOf } from '@green-tally/core/walk';

type Ask = Parameters<typeof fitTime>;

/**
 * The checks of a walk that fit the time, chosen on a thread of its own.
 * @param minutes null: as long as it takes
 * @returns undefined while it is choosing
 */
export function useFit(
  candidates: readonly Candidate[],
  { machine, sheets }: Pick<MachineFile, 'machine' | 'sheets'>,
  minutes: number | null,
): FittedWalk | undefined {
  const [done, setDone] = useState<{ readonly fit: FittedWalk; readonly asked: object }>();
  // what was asked last; an answer to anything else is not shown
  const asked = useMemo(
    () => ({ candidates, machine, sheets, minutes }),
    [candidates, machine, sheets, minutes],
  );
  useEffect(() => {
    let current = true;
    void fitFor(asked).then((fit) => {
      if (current) setDone({ asked, fit: fittedFrom(fit, asked.candidates) });
    });
    return () => {
      current = false;
    };
  }, [asked]);
  return done?.asked === asked ? done.fit : undefined;
}

interface Asked extends Pick<MachineFile, 'machine' | 'sheets'> {
  readonly candidates: readonly Candidate[];
  readonly minutes: number | null;
}

async function fitFor({ candidates, machine, sheets, minutes }: Asked): Promise<TimeFit> {
  return minutes === null
    ? allOf(candidates, { machine, sheets })
    : fitApart([offersOf(candidates), movesOf(machine, sheets), minutes]);
}

let worker: Worker | undefined;
let sent = 0;

function fitApart(ask: Ask): Promise<TimeFit> {
  if (typeof Worker === 'undefined') return Promise.resolve(fitTime(...ask));
  worker ??= new Worker(new URL('./fit.worker', import.meta.url));
  const thread = worker;
  sent += 1;
  const n = sent;
  return new Promise((resolve) => {
    const end = (fit: TimeFit) => {
      thread.removeEventListener('message', heard);
      thread.removeEventListener('error', broke);
      resolve(fit);
    };
    const heard = ({ data: [of, fit] }: MessageEvent<readonly [number, TimeFit]>) => {
      if (of === n) end(fit);
    };
    // a browser that will not start a thread gets there all the same
    const broke = () => {
      worker = undefined;
      end(fitTime(...ask));
    };
    thread.addEventListener('message', heard);
    thread.addEventListener('error', broke);
    thread.postMessage([n, ...ask]);
  });
}
