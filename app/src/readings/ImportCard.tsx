import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSWRConfig } from 'swr';
import type { Import, ImportReport } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { api, ApiProblem, listsChanged, useAction } from '../store';
import { Body, Card, Choice, Heading, Notice, Press, Quiet, Row, Rule, SPACE, Strong } from '../ui';
import { FilePress, type PickedFile } from '../ui/FilePress';

/**
 * Readings from a CSV file: shown first, then stored, all or the good ones, with a report line by
 * line.
 */
export function ImportCard() {
  const { mutate } = useSWRConfig();
  const [picked, setPicked] = useState<PickedFile | undefined>();
  const [mode, setMode] = useState<'all' | 'valid'>('all');
  const [report, setReport] = useState<ImportReport | undefined>();
  const [under, setUnder] = useState<Import | undefined>();
  const send = useAction(async (file: PickedFile, preview: 'yes' | 'no') => {
    setReport(undefined);
    try {
      const query = { mode, preview };
      const begun = await api('POST /readings/import', { query, body: file.text });
      setReport(await ended(begun, setUnder));
    } finally {
      setUnder(undefined);
    }
    if (preview === 'no') {
      listsChanged();
      void mutate(() => true);
    }
  });
  return (
    <Card testID="import">
      <Heading>In, from a CSV file</Heading>
      <Quiet>
        Columns: machine, check, place, quantity, value, unit, taken_at, hours, and more; the README
        names them all. Comma, semicolon or tab; decimal commas are read.
      </Quiet>
      <FilePress
        title={picked ? 'Choose another file' : 'Choose a file'}
        label="Readings file"
        testID="csv file"
        accept=".csv,text/csv,text/plain"
        busy={send.busy}
        onPick={(file) => {
          setPicked(file);
          void send.run(file, 'yes');
        }}
      />
      {picked ? <Strong>{picked.name}</Strong> : null}
      {under ? (
        <Body testID="import progress" live>
          {progressWords(under)}
        </Body>
      ) : null}
      {send.trouble ? (
        <Notice tone="rust" title="This file cannot be used" text={send.trouble} />
      ) : null}
      {report && picked ? (
        <View style={styles.report}>
          <Body testID="import summary">{summaryWords(report)}</Body>
          {report.stored ? (
            <Notice
              tone="pine"
              title="Stored"
              text="The machines' strips and verdicts now count them."
            />
          ) : (
            <Storing
              report={report}
              mode={mode}
              onMode={setMode}
              busy={send.busy}
              onStore={() => void send.run(picked, 'no')}
            />
          )}
          <Lines report={report} />
        </View>
      ) : null}
    </Card>
  );
}

const PAUSE_MS = 400;

/**
 * Looks at an import until it has ended; it goes on at the server whoever looks.
 * @throws ApiProblem when the file is refused as a whole
 */
async function ended(begun: Import, show: (now: Import) => void): Promise<ImportReport> {
  let now = begun;
  for (;;) {
    show(now);
    if (now.trouble) throw new ApiProblem(now.trouble);
    if (now.report) return now.report;
    await new Promise((done) => setTimeout(done, PAUSE_MS));
    now = await api('GET /imports/{id}', { params: { id: now.id } });
  }
}

const STEP_WORDS: Readonly<Record<Import['step'], string>> = {
  reading: 'Reading the file',
  checking: 'Checking',
  storing: 'Storing',
};

function progressWords({ state, step, done, rows }: Import): string {
  if (state === 'waiting') return 'The file is there; it is looked at in a moment.';
  const of = rows ? ` ${printNumber(rows, 0)} rows` : '';
  return done && rows
    ? `${STEP_WORDS[step]}: ${printNumber(done, 0)} of${of}`
    : `${STEP_WORDS[step]}${step === 'reading' ? '' : of}`;
}

function summaryWords({ rows, accepted, stored, duplicate, rejected }: ImportReport): string {
  const good = `${accepted} ${stored ? 'stored' : 'new and good'}`;
  const rest = `${duplicate} there already, ${rejected} rejected.`;
  return `${rows} rows: ${good}, ${rest}${stored ? '' : ' Nothing stored yet.'}`;
}

interface StoringProps {
  readonly report: ImportReport;
  readonly mode: 'all' | 'valid';
  readonly onMode: (mode: 'all' | 'valid') => void;
  readonly busy: boolean;
  readonly onStore: () => void;
}

function Storing({ report, mode, onMode, busy, onStore }: StoringProps) {
  const { accepted, rejected } = report;
  const usable = accepted > 0 && (mode === 'valid' || rejected === 0);
  return (
    <>
      {rejected > 0 ? (
        <Choice
          label="Some rows are rejected"
          value={mode}
          onChange={onMode}
          tall
          options={[
            {
              value: 'all',
              title: 'All or none',
              text: 'store nothing until every row is good',
            },
            {
              value: 'valid',
              title: 'The good rows only',
              text: `store ${accepted}, leave ${rejected} out`,
            },
          ]}
        />
      ) : null}
      <Press
        fill="pine"
        title={accepted === 0 ? 'Nothing new to store' : `Store ${accepted} readings`}
        testID="import store"
        disabled={!usable}
        loading={busy}
        onPress={onStore}
      />
    </>
  );
}

const SHOWN = 60;

/** What was not taken first, then the rest, in the order of the file. */
function Lines({ report }: { report: ImportReport }) {
  const lines = [...report.lines].sort(
    (a, b) => Number(b.result === 'rejected') - Number(a.result === 'rejected') || a.row - b.row,
  );
  return (
    <>
      {lines.slice(0, SHOWN).map((l) => (
        <View key={l.row} style={styles.line}>
          <Rule />
          <Row apart>
            <Strong>{`line ${l.row}: ${l.machine} ${l.check}`}</Strong>
            <Quiet>{l.result}</Quiet>
          </Row>
          {l.errors.map((e) => (
            <Body key={`${e.field}${e.message}`} tone="rust">
              {`${e.field}: ${e.message}`}
            </Body>
          ))}
        </View>
      ))}
      {report.rows > SHOWN ? <Quiet>{`and ${report.rows - SHOWN} more rows`}</Quiet> : null}
    </>
  );
}

const styles = StyleSheet.create({ report: { gap: SPACE.m }, line: { gap: 2 } });
