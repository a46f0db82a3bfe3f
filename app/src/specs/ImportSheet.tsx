import { useRef, useState } from 'react';
import { View } from 'react-native';
import { useSWRConfig } from 'swr';
import { SheetImport } from '@green-tally/core/contracts';
import { api, troubleText } from '../store';
import { Card, Heading, Notice, Press, Quiet, Row, Strong, useOnce } from '../ui';
import { Changes } from './Changes';

/** A sheet's file in: shown first, what is new, changed and removed, then stored as a revision; all or nothing. */
export function ImportSheet() {
  const input = useRef<HTMLInputElement | null>(null);
  const { mutate } = useSWRConfig();
  const [file, setFile] = useState<{ name: string; text: string } | undefined>();
  const [report, setReport] = useState<SheetImport | undefined>();
  const [trouble, setTrouble] = useState('');
  const send = async (name: string, text: string, preview: boolean) => {
    setTrouble('');
    try {
      setReport(
        SheetImport.parse(
          await api('POST', `/specs/import?preview=${preview ? 'yes' : 'no'}`, undefined, text),
        ),
      );
      setFile({ name, text });
      if (!preview)
        await mutate(
          (key) => typeof key === 'string' && (key.startsWith('/spec') || key === '/yard'),
        );
    } catch (error) {
      setReport(undefined);
      setTrouble(troubleText(error));
    }
  };
  const choose = async (chosen: File | undefined) => {
    if (chosen) await send(chosen.name, await chosen.text(), true);
  };
  const store = useOnce(async () => {
    if (file) await send(file.name, file.text, false);
  });
  const download = () => void globalThis.open?.('/api/specs/schema.json', '_blank');
  return (
    <Card testID="import sheet">
      <Heading>Import a sheet</Heading>
      <Quiet>
        JSON or YAML, as it is exported. Nothing is stored before you have seen what would change.
      </Quiet>
      <input
        ref={input}
        type="file"
        accept=".json,.yaml,.yml,application/json,text/yaml"
        aria-label="Spec sheet file"
        data-testid="sheet file"
        style={{ display: 'none' }}
        onChange={(e) => {
          void choose(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {trouble ? <Notice tone="rust" title="Not imported" text={trouble} /> : null}
      {report?.errors.length ? (
        <View role="alert" style={{ gap: 6 }} testID="import errors">
          <Strong tone="rust">{`${file?.name ?? 'The file'} cannot be used: ${report.errors.length} ${report.errors.length === 1 ? 'trouble' : 'troubles'}. Nothing was stored.`}</Strong>
          {report.errors.slice(0, 30).map((e) => (
            <Quiet
              key={`${e.line}|${e.field}|${e.message}`}
            >{`line ${e.line}, ${e.field}: ${e.message}`}</Quiet>
          ))}
          {report.errors.length > 30 ? (
            <Quiet>{`and ${report.errors.length - 30} more`}</Quiet>
          ) : null}
        </View>
      ) : null}
      {report && !report.errors.length ? (
        <View style={{ gap: 8 }} testID="import preview">
          <Strong>
            {report.stored
              ? `Stored: ${report.model} revision ${report.revision}.`
              : report.same
                ? `${report.model} revision ${report.revision} is there already, the same.`
                : `${report.model} revision ${report.revision}, ${report.checks} checks${report.latest ? `, against revision ${report.latest}` : ', a new model'}:`}
          </Strong>
          {report.changes && !report.stored && report.latest ? (
            <Changes changes={report.changes} />
          ) : null}
        </View>
      ) : null}
      <Row>
        <Press title="Choose a file" onPress={() => input.current?.click()} small />
        {report && !report.errors.length && !report.stored && !report.same ? (
          <Press
            fill="pine"
            title={`Store revision ${report.revision}`}
            testID="store sheet"
            onPress={() => void store()}
            small
          />
        ) : null}
        <Press title="The file's JSON Schema" onPress={download} small />
      </Row>
    </Card>
  );
}
