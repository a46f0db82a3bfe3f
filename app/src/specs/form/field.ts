/** How one field of a check is written in the form. */
export interface FormField {
  /** path in the check: "limit.low" */
  readonly path: string;
  readonly label: string;
  readonly as:
    | 'text'
    | 'long'
    | 'number'
    | 'whole'
    | 'quantity'
    | 'list'
    | 'lines'
    | 'choice'
    | 'perPlace'
    | 'versions'
    | 'fit';
  /** may be left empty */
  readonly optional?: boolean;
  readonly options?: readonly { readonly value: string; readonly title: string }[];
}

export const text = (path: string, label: string, optional = false): FormField => ({
  path,
  label,
  as: 'text',
  optional,
});
export const long = (path: string, label: string): FormField => ({ path, label, as: 'long' });
export const number = (path: string, label: string, optional = false): FormField => ({
  path,
  label,
  as: 'number',
  optional,
});
export const whole = (path: string, label: string, optional = false): FormField => ({
  path,
  label,
  as: 'whole',
  optional,
});
export const quantity = (path: string, label: string, optional = false): FormField => ({
  path,
  label,
  as: 'quantity',
  optional,
});
export const list = (path: string, label: string): FormField => ({
  path,
  label: `${label}, by commas`,
  as: 'list',
});
export const lines = (path: string, label: string): FormField => ({
  path,
  label,
  as: 'lines',
  optional: true,
});
/** What differs at single places, on some machines, or which machines it is of. */
export const differing = (path: 'perPlace' | 'versions' | 'fits', label: string): FormField => ({
  path,
  label,
  as: path === 'fits' ? 'fit' : path,
  optional: true,
});
export const choice = (
  path: string,
  label: string,
  options: readonly (readonly [value: string, title: string])[],
): FormField => ({
  path,
  label,
  as: 'choice',
  options: options.map(([value, title]) => ({ value, title })),
});

export const LEADS = [
  ['adjust', 'Adjust'],
  ['replace', 'Replace'],
  ['turn', 'Turn'],
] as const;

/** A form's field names cannot hold dots. */
export const nameOf = (path: string): string => path.replaceAll('.', '_');

export type FormValues = Record<string, string>;
