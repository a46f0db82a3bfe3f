import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { limitTable, readLimitTable, type TablePreview } from '@green-tally/core/figures';
import { Card, Heading, Notice, Press, Quiet, Row, SPACE, Strong, TextEntry } from '../../ui';
import { FilePress } from '../../ui/FilePress';
import type { Editing } from '../useEditing';
import { readBlock, readFile, writeFile } from './table';

interface LimitFileProps {
  readonly editing: Editing;
  /** a table that was pasted or chosen, with its heading; not entered yet */
  readonly table: readonly (readonly string[])[] | undefined;
  readonly onTable: (table: readonly (readonly string[])[] | undefined) => void;
}

/** The figures as a file or a pasted table, both ways; seen row by row before anything is entered. */
export function LimitFile({ editing, table, onTable }: LimitFileProps) {
  const { sheet, may, busy } = editing;
  const [open, setOpen] = useState(false);
  const [pasted, setPasted] = useState('');
  const [unread, setUnread] = useState('');
  const preview = table && readLimitTable(sheet, table);
  const take = (read: () => readonly (readonly string[])[]) => {
    try {
      setUnread('');
      onTable(read());
    } catch (error) {
      setUnread(error instanceof Error ? error.message : String(error));
    }
  };
  const enter = async (entered: TablePreview['entered']) => {
    if (await editing.keep(entered.sheet)) {
      onTable(undefined);
      setPasted('');
    }
  };
  return (
    <Card testID="limit file">
      <Row apart>
        <Heading>As a spreadsheet</Heading>
        <Press
          title={open || table ? 'Fold' : 'Show'}
          small
          onPress={() => (table ? onTable(undefined) : setOpen(!open))}
        />
      </Row>
      {open || table ? (
        <>
          <Quiet>
            Save the table, fill it in, and bring it back; or copy cells there and paste them into
            the first cell here. Decimal commas and a unit in the heading, such as limit (in), are
            read.
          </Quiet>
          <Row>
            <Press
              small
              title="Save as CSV"
              onPress={() => save(`${sheet.model} limits.csv`, writeFile(limitTable(sheet)))}
            />
            {may ? (
              <FilePress
                title="Bring a CSV in"
                label="Limits file"
                testID="limits csv"
                accept=".csv,text/csv,text/plain,.tsv"
                busy={busy}
                onPick={({ text }) => take(() => readFile(text))}
              />
            ) : null}
          </Row>
          {may && !table ? (
            <>
              <TextEntry
                label="Or paste a table with its heading"
                value={pasted}
                onChange={setPasted}
                lines={3}
                hint="check, new, limit, page …"
              />
              {pasted.trim() ? (
                <Press
                  small
                  title="Look at it"
                  testID="look at pasted"
                  onPress={() =>
                    take(() => (pasted.includes('\t') ? readBlock(pasted) : readFile(pasted)))
                  }
                />
              ) : null}
            </>
          ) : null}
          {unread ? <Notice tone="rust" title="This cannot be read" text={unread} /> : null}
          {preview ? (
            <Preview
              preview={preview}
              busy={busy}
              onEnter={() => void enter(preview.entered)}
              onDrop={() => onTable(undefined)}
            />
          ) : null}
        </>
      ) : null}
    </Card>
  );
}

interface PreviewProps {
  readonly preview: TablePreview;
  readonly busy: boolean;
  readonly onEnter: () => void;
  readonly onDrop: () => void;
}

/** Lines told at once. */
const MOST_TOLD = 60;

function Preview({ preview, busy, onEnter, onDrop }: PreviewProps) {
  const { lines, troubles, refused, entered } = preview;
  if (refused)
    return (
      <Notice
        tone="rust"
        title="No table of limits"
        text={refused}
        action={{ title: 'Drop it', onPress: onDrop }}
      />
    );
  const fresh = lines.filter((l) => l.state === 'entered').length;
  const told = lines.filter((l) => l.state === 'trouble' || l.says.length);
  return (
    <View style={styles.preview} testID="limits preview">
      <Strong tone={troubles ? 'rust' : 'ink'}>
        {`${lines.length} rows: ${fresh} to enter, ${lines.length - fresh - troubles} as they are, ${troubles} to mend. Nothing is entered yet.`}
      </Strong>
      {told.slice(0, MOST_TOLD).map((l) => (
        <View key={l.line} role={l.state === 'trouble' ? 'alert' : undefined}>
          {l.says.map((s) => (
            <Quiet key={`${s.column}|${s.message}`}>
              {`${l.state === 'trouble' ? '✗ ' : ''}line ${l.line}, ${s.column}: ${l.state === 'trouble' && /^[a-z]/.test(s.message) ? 'wanted ' : ''}${s.message}`}
            </Quiet>
          ))}
        </View>
      ))}
      {told.length > MOST_TOLD ? <Quiet>{`and ${told.length - MOST_TOLD} more`}</Quiet> : null}
      <Row>
        {troubles === 0 && entered.changed.length ? (
          <Press
            small
            fill="pine"
            testID="enter table"
            title={`Enter ${fresh} rows in the draft`}
            loading={busy}
            onPress={onEnter}
          />
        ) : null}
        <Press small title="Drop it" onPress={onDrop} />
      </Row>
    </View>
  );
}

/** Hands a text to the browser as a file. */
function save(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

const styles = StyleSheet.create({ preview: { gap: SPACE.s } });
