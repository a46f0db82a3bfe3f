import { useCallback, useRef, useState } from 'react';
import { ApiProblem, troubleText, Unreachable } from './api';

/**
 * Something a person sets going: whether it is under way, and what went wrong last time, in words.
 */
export interface Action<A extends readonly unknown[]> {
  /** does it; a second tap while it is under way does nothing. Tells whether it was done */
  readonly run: (...args: A) => Promise<boolean>;
  readonly busy: boolean;
  /** empty when nothing went wrong */
  readonly trouble: string;
  readonly clear: () => void;
}

/**
 * The one way a screen does something that may fail.
 * @param onProblem hears the server's refusal first, to put it at its fields; true when it has told
 *   everything
 * @param signAfter what is done sooner, ms, shows no sign of being under way: of what is only kept
 *   here, drawing a screen twice takes a slow phone longer than all the rest
 */
export function useAction<A extends readonly unknown[]>(
  action: (...args: A) => Promise<unknown>,
  onProblem?: (problem: ApiProblem) => boolean,
  signAfter = 0,
): Action<A> {
  const underWay = useRef(false);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const run = async (...args: A): Promise<boolean> => {
    if (underWay.current) return false;
    underWay.current = true;
    const sign = signAfter ? setTimeout(() => setBusy(true), signAfter) : undefined;
    if (!signAfter) setBusy(true);
    setTrouble('');
    try {
      await action(...args);
      return true;
    } catch (error) {
      if (!(error instanceof ApiProblem && onProblem?.(error))) setTrouble(wordsFor(error));
      if (!(error instanceof ApiProblem) && !(error instanceof Unreachable)) console.error(error);
      return false;
    } finally {
      clearTimeout(sign);
      underWay.current = false;
      setBusy(false);
    }
  };
  return { run, busy, trouble, clear: useCallback(() => setTrouble(''), []) };
}

const wordsFor = (error: unknown): string =>
  error instanceof Unreachable
    ? `${error.message} Try again where there is signal.`
    : troubleText(error);
