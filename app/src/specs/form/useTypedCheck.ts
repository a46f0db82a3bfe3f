import { z } from 'zod';
import { useDraft } from '../../store';

const Typed = z.record(z.string(), z.string());
const NOTHING = {};

/** What was typed into a check's form and is not kept yet; survives a reload. */
export const useTypedCheck = (model: string, checkId: string) =>
  useDraft(`check-form|${model}|${checkId}`, Typed, NOTHING);
