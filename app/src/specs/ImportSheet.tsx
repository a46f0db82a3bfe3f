import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSWRConfig } from 'swr';
import type { SheetImport } from '@green-tally/core/contracts';
import { api, useAction } from '../store';
import { Card, Heading, Notice, Press, Quiet, Row, SPACE, Strong } from '../ui';
import { FilePress, type PickedFile } from '../ui/FilePress';
import { Changes } from './Changes';

/**
 * A sheet's file in: shown first, what is new, changed and removed, then stored as a revision; all
 * or nothing.
 */
export function ImportSheet() {
  const { mutate } = useSWRConfig();
  const [file, setFile] = useState<PickedFile | undefined>();
  const [report, setReport] = useState<SheetImport | undefined>();
  const send = useAction(async (picked: PickedFile, preview: 'yes' | 'no') => {
    setReport(undefined);
    setReport(await api('POST /specs/import', { query: { preview }, body: picked.text }));
    setFile(picked);
    if (preview === 'no')
      await mutate((key) => typeof key === 'string' && /^\/(spec|yard)/.test(key));
  });
  const storable = report && !report.errors.length && !report.stored && !report.same;
  return (
    <Card testID="import sheet">
      <Heading>Import a sheet</Heading>
      <Quiet>
        JSON or YAML, as it is exported. Nothing is stored before you have seen what would change.
      </Quiet>
      {send.trouble ? <Notice tone="rust" title="Not imported" text={send.trouble} /> : null}
      {report ? <Report report={report} name={file?.name ?? 'The file'} /> : null}
      <Row>
        <FilePress
          title="Choose a file"
          label="Spec sheet file"
          testID="sheet file"
          accept=".json,.yaml,.yml,application/json,text/yaml"
          busy={send.busy}
          onPick={(picked) => void send.run(picked, 'yes')}
        />
        {storable && file ? (
          <Press
            fill="pine"
            title={`Store revision ${report.revision}`}
            testID="store sheet"
            loading={send.busy}
            onPress={() => void send.run(file, 'no')}
            small
          />
        ) : null}
        <Press
          title="The file's JSON Schema"
          onPress={() => void globalThis.open?.('/api/specs/schema.json', '_blank')}
          small
        />
      </Row>
    </Card>
  );
}

/** Troubles told at once. */
const MOST_TOLD = 30;

function Report({ report, name }: { report: SheetImport; name: string }) {
  const { errors, changes, stored, latest } = report;
  if (errors.length)
    return (
      <View role="alert" style={styles.report} testID="import errors">
        <Strong tone="rust">
          {`${name} cannot be used: ${errors.length} ${errors.length === 1 ? 'trouble' : 'troubles'}. Nothing was stored.`}
        </Strong>
        {errors.slice(0, MOST_TOLD).map((e) => (
          <Quiet key={`${e.line}|${e.field}|${e.message}`}>
            {`line ${e.line}, ${e.field}: ${e.message}`}
          </Quiet>
        ))}
        {errors.length > MOST_TOLD ? (
          <Quiet>{`and ${errors.length - MOST_TOLD} more`}</Quiet>
        ) : null}
      </View>
    );
  return (
    <View style={styles.report} testID="import preview">
      <Strong>{reportWords(report)}</Strong>
      {changes && !stored && latest ? <Changes changes={changes} /> : null}
    </View>
  );
}

function reportWords({ model, revision, stored, same, checks, latest }: SheetImport): string {
  const name = `${model} revision ${revision}`;
  if (stored) return `Stored: ${name}.`;
  if (same) return `${name} is there already, the same.`;
  return `${name}, ${checks} checks${latest ? `, against revision ${latest}` : ', a new model'}:`;
}

const styles = StyleSheet.create({ report: { gap: SPACE.s } });
