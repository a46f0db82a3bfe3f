import type { Href } from 'expo-router';
import { printNumber } from '@green-tally/core/units';

/** A value of a changed field, for reading: lists by commas, nothing as a dash. */
export function valueWords(value: unknown): string {
  if (value === undefined || value === null || value === '') return '–';
  if (typeof value === 'number') return printNumber(value, 4);
  if (Array.isArray(value)) return value.map(valueWords).join(', ');
  if (typeof value === 'object') return Object.values(value).map(valueWords).join(' ');
  return String(value);
}

/** The address of a sheet. */
export const sheetPath = (model: string, revision?: number): Href =>
  `/specs/${encodeURIComponent(model)}${revision === undefined ? '' : `?revision=${revision}`}` as Href;

/** The address of a check of a sheet, or of the sheet itself when no check is named. */
export const checkPath = (
  model: string,
  checkId: string | undefined,
  revision: number | undefined,
): Href =>
  checkId === undefined
    ? sheetPath(model, revision)
    : (`/specs/${encodeURIComponent(model)}/${checkId}${revision === undefined ? '' : `?revision=${revision}`}` as Href);

/** With a capital letter. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The figures of a model's sheet. */
export const limitsPath = (model: string): Href => `/specs/${encodeURIComponent(model)}/limits`;
