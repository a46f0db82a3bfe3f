import { useLocalSearchParams, useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { StyleSheet } from 'react-native';
import type { MachineFile, Walk } from '@green-tally/core/contracts';
import { live } from '@green-tally/core/history';
import type { Standing } from '@green-tally/core/plan';
import { suspectsFor, symptomsIn } from '@green-tally/core/symptoms';
import { printHours, printNumber } from '@green-tally/core/units';
import { goOn, type WalkStop } from '@green-tally/core/walk';
import { useSession } from '../store';
import { Card, Go, Heading, Press, Quiet, Screen, Strong, TextEntry, Title, useWide } from '../ui';
import { dayWords } from '../yard/words';
import { Sections, type Section } from './Sections';
import { KeepBook } from './KeepBook';
import { AllSound, TakeBack } from './AllSound';
import { KeysHelp } from './keys/KeysHelp';
import { useKeys } from './keys/useKeys';
import { StationStops } from './StationStops';
import { useWhere } from './useWhere';
import { WalkStand } from './WalkStand';
import { KIND_WORDS, minutesWords } from './walkWords';
import { WalkHead } from './WalkHead';

interface WalkOverviewProps {
  readonly file: MachineFile;
  readonly standing: Standing;
  readonly walk: Walk;
}

/** From so many checks on stations are folded, on a phone. */
const MANY = 20;

/** A walk under way: its checks by station, what is done, and what is next. */
export function WalkOverview({ file, standing, walk }: WalkOverviewProps) {
  const { machine } = file;
  const router = useRouter();
  const { data: session } = useSession();
  const wide = useWide();
  const { stops, saved, stands } = useWhere(file, walk);
  // a station's label opens the walk at it
  const { station } = useLocalSearchParams<{ station?: string }>();
  const [search, setSearch] = useState(
    () => stops.find((s) => String(s.check.station) === station)?.check.stationName ?? '',
  );
  const wanted = search.trim().toLowerCase();
  const next = goOn(stops, stands.stand?.position);
  const done = stops.filter((s) => s.state === 'done').length;
  const end = () => router.push(`/walk/${machine.id}/end`);
  const find = useRef<{ focus: () => void }>(null);
  useKeys([
    { key: '/', does: 'find a check', run: () => find.current?.focus() },
    {
      key: 'Enter',
      does: 'open what is next',
      run: () => (next ? router.push(`/walk/${machine.id}/${next.check.id}`) : end()),
    },
  ]);
  const others = readByOthers(file, walk, session?.person?.name);
  const runs = stands.facts?.run === 'running';
  const sections = sectionsOf(stops, walk);
  const many = stops.length > MANY;
  const section = ({ id, title, stops: own }: Section) => (
    <StationStops
      key={id}
      id={id}
      title={title}
      machineId={machine.id}
      walkId={walk.id}
      verdicts={standing.verdicts}
      stops={own}
      others={others}
      next={next?.check.id}
      wanted={wanted}
      folds={!wide && many}
      below={<AllSound file={file} walk={walk} stops={own} stands={stands} />}
    />
  );
  return (
    <Screen
      testID="walk"
      title={`Walk: ${machine.serial}`}
      full
      footer={
        <>
          <TakeBack machineId={machine.id} />
          {next ? (
            <Press
              fill="pine"
              title={`${done ? 'Next' : 'First'}: ${next.check.component}`}
              onPress={() => router.push(`/walk/${machine.id}/${next.check.id}`)}
            />
          ) : (
            <Press
              fill="pine"
              title={runs ? 'Stop it and make it safe first' : 'Finish the walk and close up'}
              disabled={runs}
              onPress={end}
            />
          )}
        </>
      }
    >
      <WalkHead machine={machine} />
      <KeysHelp />
      <Title>{`Walk: ${done} of ${stops.length}`}</Title>
      <Quiet>{aboutWalk(walk, saved)}</Quiet>
      <KeepBook file={file} />
      <WalkStand stops={stops} stands={stands} />
      <LookFirst machineId={machine.id} noticed={walk.noticed} stops={stops} />
      {many ? (
        <TextEntry
          fieldRef={find}
          label="Find a check"
          value={search}
          onChange={setSearch}
          hint="belt, oil, knife"
        />
      ) : null}
      <Sections
        sections={sections}
        next={next?.check.id}
        many={many}
        wanted={wanted}
        draw={section}
      />
      {next && done > 0 && !runs ? (
        <Press title="Finish early: the rest stays due" onPress={end} small />
      ) : null}
    </Screen>
  );
}

/**
 * The stops as they are listed: by station; where the time is short by how the machine stands, for
 * then each position is taken up once.
 */
function sectionsOf(stops: readonly WalkStop[], { minutes }: Walk): readonly Section[] {
  const sections = new Map<string, { title: string; stops: WalkStop[] }>();
  for (const stop of stops) {
    const { station, stationName, position } = stop.check;
    const id = minutes === null ? String(station) : position;
    const section = sections.get(id) ?? {
      title: minutes === null ? `${station} · ${stationName}` : position,
      stops: [],
    };
    section.stops.push(stop);
    sections.set(id, section);
  }
  return [...sections].map(([id, section]) => ({ id, ...section }));
}

/** Who else read a check in this walk: two who walk one machine see whose is whose. */
function readByOthers(
  { readings }: MachineFile,
  { id }: Walk,
  me: string | undefined,
): ReadonlyMap<string, string> {
  const others = new Map<string, string>();
  for (const r of live(readings))
    if (r.walkId === id && r.by !== me)
      others.set(
        r.checkId,
        [...new Set([...(others.get(r.checkId)?.split(' and ') ?? []), r.by])].join(' and '),
      );
  return others;
}

/** Less saved than this is not worth a word, minutes. */
const WORTH_SAYING = 5;

function aboutWalk({ madeSafeAt, hours, noticed, kind, minutes }: Walk, saved: number): string {
  const order =
    minutes !== null
      ? `for ${minutesWords(minutes)}: each position is taken up once`
      : saved >= WORTH_SAYING
        ? `front to back, in the order that saves ${printNumber(saved, 0)} min of moving the machine`
        : 'front to back';
  return [
    ...(kind ? [KIND_WORDS[kind]] : []),
    `Made safe ${madeSafeAt ? dayWords(madeSafeAt.slice(0, 10)) : ''}`,
    printHours(hours),
    order,
    ...(noticed ? [`noticed: ${noticed}`] : []),
  ].join(' · ');
}

interface LookFirstProps {
  readonly machineId: string;
  readonly noticed: string;
  readonly stops: readonly WalkStop[];
}

/** What the operator noticed, and the checks it points to, likeliest first. */
function LookFirst({ machineId, noticed, stops }: LookFirstProps) {
  const symptoms = symptomsIn(noticed);
  const open = stops.filter((s) => s.state !== 'done').map((s) => s.check);
  const suspects = suspectsFor(
    symptoms.map((s) => s.id),
    open,
  ).slice(0, 5);
  if (!suspects.length) return null;
  return (
    <Card edge="violet" testID="look first">
      <Heading>{`Look first: ${symptoms.map((s) => s.noticed.toLowerCase()).join('; ')}`}</Heading>
      {suspects.map(({ check, why }) => (
        <Go
          key={check.id}
          to={`/walk/${machineId}/${check.id}`}
          label={`${check.component}: ${why.join('; ')}`}
          style={styles.suspect}
        >
          <Strong tone="pine">{check.component}</Strong>
          <Quiet>{why.join('; ')}</Quiet>
        </Go>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  suspect: { justifyContent: 'center' },
});
