import { StyleSheet, View } from 'react-native';
import type { BoardJob, BoardPage } from '@green-tally/core/contracts';
import { troubleText } from '../store';
import { useBoard } from './hooks';
import {
  Body,
  HeadRow,
  Heading,
  Press,
  Quiet,
  Screen,
  SPACE,
  STROKE,
  Strong,
  Title,
  usePalette,
  Waiting,
} from '../ui';
import { halfWords, momentWords, weekdayWords } from '../yard/words';
import { handsWords, lengthWords } from './words';

/** The published plan as a sheet of paper: a list by technician, to hang on the wall. */
export function PrintScreen() {
  const { data: page, error, again } = useBoard();
  if (!page)
    return (
      <Waiting
        what="the plan"
        trouble={error ? troubleText(error) : undefined}
        again={again}
        full
      />
    );
  return (
    <Screen testID="print plan" title="The plan, to print">
      <HeadRow back={{ to: '/board', title: 'Board', label: 'Back to the board' }}>
        <Press small title="Print" onPress={() => globalThis.print?.()} />
      </HeadRow>
      <Title>{`Plan of ${page.branch}`}</Title>
      <Quiet>
        {page.plan
          ? `Plan ${page.plan.n}, ${page.plan.by}, ${momentWords(page.plan.at)}: ${page.plan.why}`
          : `As visits stand on ${weekdayWords(page.today)}`}
      </Quiet>
      {page.technicians.map((t) => (
        <OfTechnician key={t.id} page={page} id={t.id} name={t.name} />
      ))}
    </Screen>
  );
}

function OfTechnician({ page, id, name }: { page: BoardPage; id: string; name: string }) {
  const palette = usePalette();
  const own = page.jobs
    .filter((j) => !j.finishedAt && j.published?.technicianIds.includes(id))
    .sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1));
  return (
    <View style={[styles.part, { borderColor: palette.ink }]}>
      <Heading>{name}</Heading>
      {own.length ? null : <Quiet>Nothing planned.</Quiet>}
      {own.map((job) => {
        const at = job.published;
        if (!at) return null;
        return (
          <View key={job.id} style={styles.visit}>
            <Strong>{`☐ ${weekdayWords(at.startsOn)}, ${halfWords(at.starts)} · ${job.machine.serial}, ${job.machine.model}`}</Strong>
            <Body>{`${job.machine.customer}, ${at.site === 'bay' ? 'in the bay' : 'at the farm'} · ${lengthWords(job, at)}${at.technicianIds.length > 1 ? ` · ${handsWords(page, at)}` : ''}`}</Body>
            <Quiet>{job.work.map((w) => `${w.component}: ${w.decision}`).join(' · ')}</Quiet>
          </View>
        );
      })}
    </View>
  );
}

const startOf = ({ published }: BoardJob): string =>
  published ? `${published.startsOn} ${published.starts}` : '';

const styles = StyleSheet.create({
  part: { borderTopWidth: STROKE.thin, paddingTop: SPACE.s, gap: SPACE.s },
  visit: { gap: 2 },
});
