import { View } from 'react-native';
import type { SheetChanges } from '@green-tally/core/contracts';
import type { FieldChange } from '@green-tally/core/sheets';
import { nothingChanged } from '@green-tally/core/sheets';
import { Quiet, Strong } from '../ui';
import { valueWords } from './words';

/** What differs between two sheets, in words: new, removed, and field by field. */
export function Changes({ changes }: { changes: SheetChanges }) {
  if (nothingChanged(changes)) return <Quiet>Nothing differs.</Quiet>;
  return (
    <View style={{ gap: 6 }} testID="changes">
      {changes.added.length ? (
        <Strong>{`New: ${changes.added.map((c) => c.component).join(', ')}`}</Strong>
      ) : null}
      {changes.removed.length ? (
        <Strong tone="rust">{`Removed: ${changes.removed.map((c) => c.component).join(', ')}`}</Strong>
      ) : null}
      {changes.changed.map((c) => (
        <View key={c.id}>
          <Strong>{c.component}</Strong>
          <FieldChanges fields={c.fields} />
        </View>
      ))}
      {changes.sheet.length ? <FieldChanges fields={changes.sheet} /> : null}
      {changes.reordered ? <Quiet>The order of the checks differs.</Quiet> : null}
    </View>
  );
}

/** Field by field: what it was, what it is. */
export function FieldChanges({ fields }: { fields: readonly FieldChange[] }) {
  return (
    <>
      {fields.map((f) => (
        <Quiet
          key={f.field}
        >{`${f.field.replaceAll('.', ' › ')}: ${valueWords(f.before)} → ${valueWords(f.after)}`}</Quiet>
      ))}
    </>
  );
}
