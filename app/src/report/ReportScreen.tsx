import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { OwnerReport, ReportLink, type NewReportLink } from '@green-tally/core/contracts/report';
import { SyncLine } from '../session/SyncLine';
import { api, pathOf, troubleText, useAction, useMachine } from '../store';
import { useAnswer } from '../store/hooks';
import {
  Body,
  Buttons,
  Card,
  Choice,
  Go,
  HeadRow,
  Heading,
  Notice,
  Press,
  Quiet,
  Screen,
  Strong,
  TextEntry,
  Waiting,
} from '../ui';
import { dayWords, momentWords } from '../yard/words';
import { ReportBody } from './ReportBody';

const Links = z.object({ links: z.array(ReportLink) });

/** The report on one machine, as its owner would read it; on paper, and by a link. */
export function ReportScreen() {
  const { machineId, walk } = useLocalSearchParams<{ machineId: string; walk?: string }>();
  const params = { id: machineId };
  const past = walk ? { walk } : {};
  const {
    data: report,
    error,
    again,
  } = useAnswer('GET /machines/{id}/report', { params, query: past }, OwnerReport);
  if (!report)
    return (
      <Waiting
        what="the report"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  return (
    <Screen testID="report" title={`Report: ${report.machine.serial}`}>
      <HeadRow
        back={{
          to: `/machine/${machineId}`,
          title: report.machine.serial,
          label: 'Back to the machine',
        }}
      >
        <SyncLine />
      </HeadRow>
      <WhichWalk machineId={machineId} walk={walk} />
      {walk ? <Past machineId={machineId} walk={walk} /> : <Sharing machineId={machineId} />}
      <Go
        to={`/report/season?customer=${encodeURIComponent(report.machine.customer)}`}
        label={`All machines of ${report.machine.customer}`}
        testID="to season"
      >
        <Strong tone="pine">{`All machines of ${report.machine.customer} ›`}</Strong>
      </Go>
      <ReportBody report={report} photoAt={(id) => `/api/photos/${id}?size=small`} />
    </Screen>
  );
}

const SEASON = '';
/** So many walks of the past are offered, the newest first. */
const WALKS = 5;

/** The report as it stands, or as it stood when one of the last walks ended. */
function WhichWalk({ machineId, walk }: { machineId: string; walk: string | undefined }) {
  const router = useRouter();
  const { file } = useMachine(machineId);
  const past = (file?.walks ?? [])
    .flatMap(({ id, finishedAt, kind }) => (finishedAt ? [{ id, finishedAt, kind }] : []))
    .sort((a, b) => (a.finishedAt < b.finishedAt ? 1 : -1))
    .slice(0, WALKS);
  if (!past.length) return null;
  return (
    <Choice
      label="What it tells"
      value={walk || SEASON}
      onChange={(to) => router.setParams({ walk: to })}
      options={[
        { value: SEASON, title: 'as it stands' },
        ...past.map((w) => ({
          value: w.id,
          title: `walk of ${dayWords(w.finishedAt.slice(0, 10))} ${w.finishedAt.slice(0, 4)}`,
        })),
      ]}
    />
  );
}

/** A report of the past goes on paper; what is to be answered is what stands now. */
function Past({ machineId, walk }: { machineId: string; walk: string }) {
  return (
    <Card testID="past report">
      <Quiet>
        As the machine stood when this walk ended. The owner answers on the report as it stands, so
        that nobody answers what has been done since.
      </Quiet>
      <Buttons>
        <Press
          title="As PDF"
          testID="report pdf"
          onPress={() =>
            void globalThis.open?.(`/api/machines/${machineId}/report.pdf?walk=${walk}`, '_blank')
          }
        />
      </Buttons>
    </Card>
  );
}

/** The ways a report leaves the shop. */
function Sharing({ machineId }: { machineId: string }) {
  const params = { id: machineId };
  const { data, again } = useAnswer('GET /machines/{id}/report-links', { params }, Links);
  const links = data?.links ?? [];
  const [days, setDays] = useState('30');
  const [mailTo, setMailTo] = useState('');
  const [made, setMade] = useState<NewReportLink>();
  const share = useAction(async () => {
    const link = await api('POST /machines/{id}/report-links', {
      params,
      body: { days: Number(days), mailTo: mailTo.trim() || null },
    });
    setMade(link);
    setMailTo('');
    void globalThis.navigator?.clipboard?.writeText(linkOf(link)).catch(() => undefined);
    again();
  });
  const revoke = useAction(async (id: string) => {
    await api('DELETE /report-links/{id}', { params: { id } });
    again();
  });
  return (
    <Card testID="sharing">
      <Heading>For the owner</Heading>
      <Quiet>
        The link shows this report as it stands now, and nothing else; the owner answers on it. What
        is answered stands at the work at once.
      </Quiet>
      <Choice
        label="The link opens for"
        value={days}
        onChange={setDays}
        options={['7', '30', '90'].map((value) => ({ value, title: `${value} days` }))}
      />
      <TextEntry
        label="Mail it to (may stay empty)"
        value={mailTo}
        onChange={setMailTo}
        hint="name@farm.example"
        autoComplete="off"
      />
      <Buttons>
        <Press
          fill="pine"
          title="Make a link"
          testID="share report"
          loading={share.busy}
          onPress={() => void share.run()}
        />
        <Press
          title="As PDF"
          testID="report pdf"
          onPress={() =>
            void globalThis.open?.(
              pathOf('GET /machines/{id}/report.pdf', { params }).replace(/^(?!\/api)/, '/api'),
              '_blank',
            )
          }
        />
        <Press
          title="Station labels"
          testID="station labels"
          onPress={() =>
            void globalThis.open?.(`/api/labels.pdf?machine=${machineId}&kind=station`, '_blank')
          }
        />
      </Buttons>
      {share.trouble || revoke.trouble ? (
        <Notice tone="rust" title="Not done" text={share.trouble || revoke.trouble} />
      ) : null}
      {made ? (
        <View>
          <Strong tone="pine">
            {made.mailedTo
              ? `Written into the outbox for ${made.mailedTo}. This stand-in sends nothing.`
              : 'Copied where this browser allows it. It is told only this once:'}
          </Strong>
          <Body testID="report link">{linkOf(made)}</Body>
        </View>
      ) : null}
      {links.map((link) => (
        <View key={link.id} testID="a link">
          <Quiet>{linkWords(link)}</Quiet>
          {link.revokedAt ? null : (
            <Press
              small
              title="Take back"
              label={`Take back the link of ${momentWords(link.madeAt)}`}
              onPress={() => void revoke.run(link.id)}
            />
          )}
        </View>
      ))}
    </Card>
  );
}

const linkOf = ({ key }: NewReportLink): string => `${globalThis.location?.origin ?? ''}/r/${key}`;

const linkWords = (link: ReportLink): string =>
  [
    `${momentWords(link.madeAt)}, ${link.madeBy}`,
    link.revokedAt ? 'taken back' : `opens until ${dayWords(link.expiresAt.slice(0, 10))}`,
    link.views === 0
      ? 'not opened yet'
      : link.views === 1
        ? 'opened once'
        : `opened ${link.views} times`,
    ...(link.mailedTo ? [`for ${link.mailedTo}`] : []),
  ].join(' · ');
