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
    | 'rows'
    | 'lines'
    | 'choice'
    | 'yesNo'
    | 'ways'
    | 'perPlace'
    | 'versions'
    | 'fit';
  /** may be left empty */
  readonly optional?: boolean;
  readonly options?: readonly FieldOption[];
}
export interface FieldOption {
  readonly value: string;
  readonly title: string;
}

/** Fields that belong together, under their heading. */
export interface FormSection {
  readonly title: string;
  readonly fields: readonly FormField[];
}

const plain =
  (as: FormField['as']) =>
  (path: string, label: string, optional = false): FormField => ({ path, label, as, optional });

export const text = plain('text');
export const number = plain('number');
export const whole = plain('whole');
export const quantity = plain('quantity');
export const long = plain('long');
export const list = (path: string, label: string): FormField => ({
  path,
  label: `${label}, by commas`,
  as: 'list',
});
/** Plain lines of text, one thing a line. */
export const rows = (path: string, label: string): FormField => ({
  path,
  label: `${label}, one a line`,
  as: 'rows',
  optional: true,
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
export type Named = readonly (readonly [value: string, title: string])[];
export const choice = (path: string, label: string, options: Named): FormField => ({
  path,
  label,
  as: 'choice',
  options: options.map(([value, title]) => ({ value, title })),
});
export const yesNo = (path: string, label: string): FormField => ({
  ...choice(path, label, [
    ['no', 'No'],
    ['yes', 'Yes'],
  ]),
  as: 'yesNo',
});
/** Any number of options; none of them means all. */
export const ways = (
  path: string,
  label: string,
  options: readonly { readonly id: string; readonly name: string }[],
): FormField => ({
  path,
  label,
  as: 'ways',
  optional: true,
  options: options.map(({ id, name }) => ({ value: id, title: name })),
});

export const LEADS = [
  ['adjust', 'Adjust'],
  ['replace', 'Replace'],
  ['turn', 'Turn'],
] as const;

/** A form's field names cannot hold dots. */
export const nameOf = (path: string): string => path.replaceAll('.', '_');

export type FormValues = Record<string, string>;
