import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSWRConfig } from 'swr';
import { BOOK_COLUMNS, type BookKind, type BookReport } from '@green-tally/core/contracts/books';
import { mayDo } from '@green-tally/core/rights';
import { printNumber } from '@green-tally/core/units';
import { api, listsChanged, useAction, useSession, useTextDraft } from '../store';
import { useCustomers, useHeaders } from '../store/books';
import {
  Card,
  Choice,
  Heading,
  More,
  Notice,
  Press,
  Quiet,
  Row,
  SPACE,
  Strong,
  TextEntry,
  useSettled,
} from '../ui';
import { FilePress, type PickedFile } from '../ui/FilePress';
import { SettingsFrame } from './SettingsFrame';

const KINDS = [
  { value: 'customers', title: 'Customers' },
  { value: 'machines', title: 'Machines' },
  { value: 'headers', title: 'Headers' },
  { value: 'people', title: 'People' },
] as const satisfies readonly { value: BookKind; title: string }[];

/** Lists in and out: customers, machines, headers and people as CSV. */
export function BooksScreen() {
  const { data: session } = useSession();
  const [kind, setKind] = useState<BookKind>('machines');
  const person = session?.person;
  const kinds = KINDS.filter(
    (k) => k.value !== 'people' || (person && mayDo(person.role, 'keepPeople')),
  );
  return (
    <SettingsFrame title="Lists in and out" testID="books">
      <Choice label="Which list" options={kinds} value={kind} onChange={setKind} />
      <BookCard key={kind} kind={kind} />
      {kind === 'customers' ? <Customers /> : null}
      {kind === 'headers' ? <Headers /> : null}
    </SettingsFrame>
  );
}

/** Who is on the books, and how they are reached. */
function Customers() {
  const [find, setFind] = useState('');
  const { pages, more } = useCustomers({ q: useSettled(find.trim()) || undefined });
  return (
    <Card testID="customers">
      <Heading>{`On the books: ${printNumber(pages?.[0]?.all ?? 0, 0)}`}</Heading>
      <TextEntry label="Find a customer" value={find} onChange={setFind} hint="name, place" />
      {pages
        ?.flatMap((p) => p.customers)
        .map(({ id, name, branch, place, phone }) => (
          <View key={id}>
            <Strong>{name}</Strong>
            <Quiet>{[branch, place, phone].filter(Boolean).join(' · ')}</Quiet>
          </View>
        ))}
      <More more={more} />
    </Card>
  );
}

/** The headers, and which machine each is on. */
function Headers() {
  const [find, setFind] = useState('');
  const { pages, more } = useHeaders({ q: useSettled(find.trim()) || undefined });
  return (
    <Card testID="headers">
      <Heading>{`On the books: ${printNumber(pages?.[0]?.all ?? 0, 0)}`}</Heading>
      <TextEntry
        label="Find a header"
        value={find}
        onChange={setFind}
        hint="serial, model, customer"
      />
      {pages
        ?.flatMap((p) => p.headers)
        .map(({ id, serial, model, customer, on }) => (
          <View key={id}>
            <Strong>{`${model} · ${serial}`}</Strong>
            <Quiet>{`${customer} · ${on ? `on ${on}` : 'on no machine'}`}</Quiet>
          </View>
        ))}
      <More more={more} />
    </Card>
  );
}

/** One list: what its file holds, the file as it is, and bringing one in. */
export function BookCard({ kind }: { readonly kind: BookKind }) {
  const { mutate } = useSWRConfig();
  const [file, setFile] = useState<PickedFile | undefined>();
  const [pasted, setPasted] = useTextDraft(`books|${kind}`);
  const [report, setReport] = useState<BookReport | undefined>();
  const send = useAction(async (picked: PickedFile, preview: 'yes' | 'no') => {
    setReport(undefined);
    const { text } = picked;
    setReport(
      await api('POST /books/{kind}/import', { params: { kind }, query: { preview }, body: text }),
    );
    setFile(picked);
    if (preview === 'no') {
      setPasted('');
      listsChanged();
      await mutate(() => true);
    }
  });
  const columns = BOOK_COLUMNS[kind];
  return (
    <Card testID={`book ${kind}`}>
      <Heading>{`${capital(kind)}, as a file`}</Heading>
      <Quiet>
        First line: the columns, as below. Comma, semicolon or tab; decimal commas are read. Nothing
        is stored before you have seen every line.
      </Quiet>
      <View>
        {columns.map(({ name, holds, required }) => (
          <Quiet key={name}>{`${name}${required ? '' : ' (may be empty)'}: ${holds}`}</Quiet>
        ))}
      </View>
      <Row>
        <Press
          small
          title="The list as it is"
          label={`The list of ${kind} as a CSV file`}
          onPress={() => void globalThis.open?.(`/api/books/${kind}/file`, '_blank')}
        />
        <FilePress
          title="Choose a file"
          label={`File of ${kind}`}
          testID={`file ${kind}`}
          accept=".csv,text/csv,text/plain,.tsv"
          busy={send.busy}
          onPick={(picked) => void send.run(picked, 'yes')}
        />
      </Row>
      <TextEntry
        label={`Or paste ${kind} here, columns first`}
        value={pasted}
        onChange={setPasted}
        lines={4}
        hint={columns.map((c) => c.name).join(',')}
      />
      {pasted.trim() ? (
        <Press
          small
          title="Look at it"
          testID={`look ${kind}`}
          loading={send.busy}
          onPress={() => void send.run({ name: 'What was pasted', text: pasted }, 'yes')}
        />
      ) : null}
      {send.trouble ? <Notice tone="rust" title="Not brought in" text={send.trouble} /> : null}
      {report ? (
        <Report
          report={report}
          busy={send.busy}
          onStore={() => {
            if (file) void send.run(file, 'no');
          }}
        />
      ) : null}
    </Card>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

interface ReportProps {
  readonly report: BookReport;
  readonly busy: boolean;
  readonly onStore: () => void;
}

/** Lines told at once. */
const MOST_TOLD = 60;

function Report({ report, busy, onStore }: ReportProps) {
  const { kind, stored, fresh, there, troubles, lines } = report;
  const wrong = lines.filter((l) => l.state === 'trouble');
  const good = lines.filter((l) => l.state === 'new');
  return (
    <View style={styles.report} testID={`report ${kind}`}>
      <Strong tone={troubles ? 'rust' : 'ink'}>
        {stored
          ? `Stored: ${fresh} ${kind}. ${there} were there already.`
          : `${lines.length} lines: ${fresh} new, ${there} there already, ${troubles} to mend. Nothing is stored yet.`}
      </Strong>
      {wrong.slice(0, MOST_TOLD).map((l) => (
        <View key={l.line} role="alert">
          {l.errors.map((e) => (
            <Quiet key={`${e.field}|${e.message}`}>
              {`✗ line ${l.line}${l.name ? ` (${l.name})` : ''}, ${e.field}: ${e.message}`}
            </Quiet>
          ))}
        </View>
      ))}
      {wrong.length > MOST_TOLD ? <Quiet>{`and ${wrong.length - MOST_TOLD} more`}</Quiet> : null}
      {!stored && good.length ? (
        <Quiet>{`New: ${good
          .slice(0, MOST_TOLD)
          .map((l) => l.name)
          .join(', ')}`}</Quiet>
      ) : null}
      {!stored && troubles === 0 && fresh > 0 ? (
        <Press
          fill="pine"
          small
          testID={`store ${kind}`}
          title={`Store ${fresh} ${kind}`}
          loading={busy}
          onPress={onStore}
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ report: { gap: SPACE.s } });
