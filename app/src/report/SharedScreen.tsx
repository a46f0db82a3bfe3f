import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import useSWR from 'swr';
import { v7 as uuidv7 } from 'uuid';
import { type OwnerAnswer } from '@green-tally/core/contracts';
import { SharedReport, type ReportItem } from '@green-tally/core/contracts/report';
import { ANSWER_WORDS } from '@green-tally/core/ownerWords';
import { api, ApiProblem, pathOf, troubleText, useAction, useTextDraft } from '../store';
import {
  Buttons,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  TextEntry,
  Waiting,
} from '../ui';
import { dayWords } from '../yard/words';
import { ReportBody } from './ReportBody';

/** A report by its link: one machine, what was found, and the owner's answers. No account. */
export function SharedScreen() {
  const { key } = useLocalSearchParams<{ key: string }>();
  const params = { key };
  const { data, error, mutate } = useSWR<unknown, unknown>(
    pathOf('GET /report/{key}', { params }),
    {
      // each look is counted
      revalidateOnFocus: false,
      revalidateOnReconnect: false,
    },
  );
  const shared = useMemo(() => (data === undefined ? undefined : SharedReport.parse(data)), [data]);
  const [name, setName] = useTextDraft('report|name');
  if (error instanceof ApiProblem && error.problem.status === 404)
    return (
      <Screen testID="no report" title="Report">
        <Notice
          alone
          title="This link opens nothing"
          text="It has ended, was taken back, or was not copied whole. Ask the workshop for a new one."
        />
      </Screen>
    );
  if (!shared)
    return (
      <Waiting
        what="the report"
        trouble={error ? troubleText(error) : undefined}
        again={() => void mutate()}
      />
    );
  return (
    <Screen testID="shared report" title={`Report: ${shared.report.machine.serial}`}>
      <Quiet>{`From ${shared.report.branch}, as of ${dayWords(shared.report.today)}. This link opens until ${dayWords(shared.expiresAt.slice(0, 10))}.`}</Quiet>
      <Row gap={SPACE.s}>
        <Press
          small
          title="As PDF"
          testID="shared pdf"
          onPress={() => void globalThis.open?.(`/api/report/${key}/report.pdf`, '_blank')}
        />
      </Row>
      {shared.report.items.length ? (
        <TextEntry
          label="Your name"
          value={name}
          onChange={setName}
          hint="so that they know who answers"
          autoComplete="off"
        />
      ) : null}
      <ReportBody
        report={shared.report}
        photoAt={(id) => `/api/report/${key}/photos/${id}`}
        below={(item) => (
          <Answers
            item={item}
            name={name}
            link={key}
            onAnswered={(next) => void mutate(next, { revalidate: false })}
          />
        )}
      />
    </Screen>
  );
}

interface AnswersProps {
  readonly item: ReportItem;
  readonly name: string;
  readonly link: string;
  readonly onAnswered: (next: SharedReport) => void;
}

/** Yes, not now, call me: with a word beside it. */
function Answers({ item, name, link, onAnswered }: AnswersProps) {
  const [note, setNote] = useTextDraft(`report|${link.split('~')[0]}|${item.key}`);
  const [open, setOpen] = useState(item.owner === null);
  const send = useAction(async (answer: OwnerAnswer) => {
    if (!name.trim()) throw new Error('Say your name first, at the top.');
    const next = await api('POST /report/{key}/answers', {
      params: { key: link },
      body: { id: uuidv7(), key: item.key, answer, name: name.trim(), note: note.trim() },
    });
    setNote('');
    setOpen(false);
    onAnswered(next);
  });
  if (!open) return <Press small title="Answer otherwise" onPress={() => setOpen(true)} />;
  return (
    <>
      <TextEntry label="A word to it" value={note} onChange={setNote} hint="may stay empty" />
      <Buttons>
        {(['yes', 'notNow', 'callMe'] as const).map((answer) => (
          <Press
            key={answer}
            small
            fill={answer === 'yes' ? 'pine' : undefined}
            title={ANSWER_WORDS[answer]}
            testID={`answer ${answer}`}
            loading={send.busy}
            onPress={() => void send.run(answer)}
          />
        ))}
      </Buttons>
      {send.trouble ? <Strong tone="rust">{send.trouble}</Strong> : null}
    </>
  );
}
