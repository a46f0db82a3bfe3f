import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { OwnerReport, ReportLink, type NewReportLink } from '@green-tally/core/contracts/report';
import { SyncLine } from '../session/SyncLine';
import { api, pathOf, troubleText, useAction } from '../store';
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
  const { machineId } = useLocalSearchParams<{ machineId: string }>();
  const params = { id: machineId };
  const {
    data: report,
    error,
    again,
  } = useAnswer('GET /machines/{id}/report', { params }, OwnerReport);
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
      <Sharing machineId={machineId} />
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
