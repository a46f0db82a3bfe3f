import { useRef, useState } from 'react';
import { View } from 'react-native';
import { useSWRConfig } from 'swr';
import { ImportReport } from '@green-tally/core/contracts';
import { SyncLine } from '../session/SyncLine';
import { api, dismiss, troubleText, useOutgoing, useSession } from '../store';
import {
  Body,
  Card,
  Choice,
  Heading,
  Notice,
  Press,
  Quiet,
  Row,
  Rule,
  Screen,
  Strong,
  Title,
} from '../ui';

const SHOWN = 60;

/** Readings in and out: what waits or was refused here, CSV out, calendar out, CSV in with a report line by line. */
export function ReadingsScreen() {
  const { data: session } = useSession();
  return (
    <Screen testID="readings">
      <Row style={{ justifyContent: 'space-between' }}>
        <Title>Readings</Title>
        <SyncLine />
      </Row>
      <Refused />
      <Card>
        <Heading>Out</Heading>
        <Quiet>Open formats, for a spreadsheet or a calendar.</Quiet>
        <Press
          title="Readings as CSV"
          testID="download csv"
          onPress={() => download('/api/readings.csv', 'green-tally-readings.csv')}
        />
        <Press
          title="Plan as a calendar (iCalendar)"
          testID="download ics"
          onPress={() => download('/api/plan.ics', 'green-tally-plan.ics')}
        />
      </Card>
      {session?.person?.role === 'technician' ? (
        <Quiet>A planner brings readings in from a file.</Quiet>
      ) : (
        <ImportCard />
      )}
    </Screen>
  );
}

function download(path: string, name: string): void {
  const link = document.createElement('a');
  link.href = path;
  link.download = name;
  link.click();
}

function Refused() {
  const outgoing = useOutgoing();
  const refused = outgoing?.filter((o) => o.state === 'refused') ?? [];
  if (!refused.length) return null;
  return (
    <Notice
      tone="rust"
      title={`${refused.length} could not be stored`}
      text="They are kept on this device until you have read why. Take the reading again where it was wrong."
      testID="refused"
      {...(refused[0]
        ? {
            action: {
              title: `Forget this one: ${refused[0].why.slice(0, 140)}`,
              onPress: () => void dismiss(refused[0]?.id ?? ''),
            },
          }
        : {})}
    />
  );
}

interface Picked {
  readonly name: string;
  readonly text: string;
}

function ImportCard() {
  const { mutate } = useSWRConfig();
  const input = useRef<HTMLInputElement | null>(null);
  const [picked, setPicked] = useState<Picked | undefined>();
  const [mode, setMode] = useState<'all' | 'valid'>('all');
  const [report, setReport] = useState<ImportReport | undefined>();
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const send = async (file: Picked, preview: boolean) => {
    setBusy(true);
    setTrouble('');
    try {
      setReport(
        ImportReport.parse(
          await api(
            'POST',
            `/readings/import?mode=${mode}&preview=${preview ? 'yes' : 'no'}`,
            undefined,
            file.text,
          ),
        ),
      );
      if (!preview) void mutate(() => true);
    } catch (error) {
      setReport(undefined);
      setTrouble(troubleText(error));
    }
    setBusy(false);
  };
  const pick = async (file: File | undefined) => {
    if (!file) return;
    const next = { name: file.name, text: await file.text() };
    setPicked(next);
    await send(next, true);
  };
  const usable = report && report.accepted > 0 && (mode === 'valid' || report.rejected === 0);
  return (
    <Card testID="import">
      <Heading>In, from a CSV file</Heading>
      <Quiet>
        Columns: machine, check, place, quantity, value, unit, taken_at, hours, and more; the README
        names them all. Comma, semicolon or tab; decimal commas are read.
      </Quiet>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv,text/plain"
        aria-label="Readings file"
        data-testid="csv file"
        style={{ display: 'none' }}
        onChange={(e) => {
          void pick(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Press
        title={picked ? 'Choose another file' : 'Choose a file'}
        onPress={() => input.current?.click()}
        loading={busy}
      />
      {picked ? <Strong>{picked.name}</Strong> : null}
      {trouble ? <Notice tone="rust" title="This file cannot be used" text={trouble} /> : null}
      {report && picked ? (
        <View style={{ gap: 10 }}>
          <Body testID="import summary">{`${report.rows} rows: ${report.accepted} ${report.stored ? 'stored' : 'new and good'}, ${report.duplicate} there already, ${report.rejected} rejected.${report.stored ? '' : ' Nothing stored yet.'}`}</Body>
          {report.stored ? (
            <Notice
              tone="pine"
              title="Stored"
              text="The machines' strips and verdicts now count them."
            />
          ) : (
            <>
              {report.rejected > 0 ? (
                <Choice
                  label="Some rows are rejected"
                  value={mode}
                  onChange={setMode}
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
                      text: `store ${report.accepted}, leave ${report.rejected} out`,
                    },
                  ]}
                />
              ) : null}
              <Press
                fill="pine"
                title={
                  report.accepted === 0
                    ? 'Nothing new to store'
                    : `Store ${report.accepted} readings`
                }
                testID="import store"
                disabled={!usable}
                loading={busy}
                onPress={() => void send(picked, false)}
              />
            </>
          )}
          {[...report.lines]
            .sort(
              (a, b) =>
                Number(b.result === 'rejected') - Number(a.result === 'rejected') || a.row - b.row,
            )
            .slice(0, SHOWN)
            .map((l) => (
              <View key={l.row} style={{ gap: 2 }}>
                <Rule />
                <Row style={{ justifyContent: 'space-between' }}>
                  <Strong>{`line ${l.row}: ${l.machine} ${l.check}`}</Strong>
                  <Quiet>{l.result}</Quiet>
                </Row>
                {l.errors.map((e) => (
                  <Body
                    key={`${e.field}${e.message}`}
                    tone="rust"
                  >{`${e.field}: ${e.message}`}</Body>
                ))}
              </View>
            ))}
          {report.rows > SHOWN ? <Quiet>{`and ${report.rows - SHOWN} more rows`}</Quiet> : null}
        </View>
      ) : null}
    </Card>
  );
}
