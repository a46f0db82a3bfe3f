import { useLocalSearchParams } from 'expo-router';
import { SeasonSummary } from '@green-tally/core/contracts/report';
import { printHours } from '@green-tally/core/units';
import { troubleText } from '../store';
import { useAnswer } from '../store/hooks';
import {
  Body,
  Buttons,
  Card,
  Go,
  HeadRow,
  Press,
  Quiet,
  Row,
  Screen,
  Strong,
  Title,
  Waiting,
} from '../ui';
import { dayWords } from '../yard/words';
import { money } from './ReportBody';

/** All machines of a customer in the season: which are ready, what is open, what it costs. */
export function SeasonScreen() {
  const { customer = '' } = useLocalSearchParams<{ customer?: string }>();
  const {
    data: season,
    error,
    again,
  } = useAnswer('GET /season', { query: { customer } }, SeasonSummary);
  if (!season)
    return (
      <Waiting
        what="the season"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  const { machines, currency } = season;
  const of = (sum: (m: SeasonSummary['machines'][number]) => number) =>
    machines.reduce((all, m) => all + sum(m), 0);
  const unpriced = of((m) => m.unpriced);
  return (
    <Screen testID="season" title={`${customer}: the season`}>
      <HeadRow back={{ to: '/', title: 'Yard', label: 'Back to the Yard' }} />
      <Title>{customer}</Title>
      <Card edge={machines.every((m) => m.ready) ? 'pine' : 'rust'}>
        <Strong>{`${machines.filter((m) => m.ready).length} of ${machines.length} machines ready for harvest`}</Strong>
        <Body>
          {`Open work costs ${money(
            of((m) => m.now),
            currency,
          )} now${unpriced ? `, and ${unpriced} more without a price yet` : ''}; ${money(
            of((m) => m.ifItGoes),
            currency,
          )} if all of it went in harvest.`}
        </Body>
      </Card>
      <Buttons>
        <Press
          title="As PDF"
          testID="season pdf"
          onPress={() =>
            void globalThis.open?.(
              `/api/season.pdf?customer=${encodeURIComponent(customer)}`,
              '_blank',
            )
          }
        />
      </Buttons>
      {machines.map((m) => (
        <Go key={m.id} to={`/report/${m.id}`} label={`The report on ${m.serial}`}>
          <Card testID={`season ${m.serial}`}>
            <Row apart>
              <Strong>{`${m.serial}, ${m.model}`}</Strong>
              <Strong tone={m.ready ? 'pine' : 'rust'}>{m.ready ? 'ready' : 'not ready'}</Strong>
            </Row>
            <Quiet>
              {`${printHours(m.hours)} · ${m.crop} from ${dayWords(m.harvest)} · ${m.walked ? `walked ${dayWords(m.walked)}` : 'not walked'}`}
            </Quiet>
            {m.items ? (
              <Body>
                {`${m.loudest.join('; ')}${m.items > m.loudest.length ? ` and ${m.items - m.loudest.length} more` : ''}`}
              </Body>
            ) : null}
            {m.items ? (
              <Quiet>{`now ${money(m.now, currency)}, ${money(m.ifItGoes, currency)} if they go in harvest`}</Quiet>
            ) : null}
          </Card>
        </Go>
      ))}
    </Screen>
  );
}
