import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CrewPage, Worked } from '@green-tally/core/contracts';
import { api, useAction } from '../store';
import {
  Buttons,
  Card,
  Chip,
  Heading,
  Notice,
  Press,
  Quiet,
  RADIUS,
  Row,
  SPACE,
  STROKE,
  Strong,
  Tap,
  TARGET,
  TextEntry,
  usePalette,
} from '../ui';
import { awayIn, awayOut } from './lines';

type Technician = CrewPage['technicians'][number];

interface TechniciansProps {
  readonly page: CrewPage;
  readonly may: boolean;
  readonly again: () => void;
}

/** Who can do what, and when they work. */
export function Technicians({ page, may, again }: TechniciansProps) {
  const [open, setOpen] = useState<string>();
  return page.technicians.map((t) => (
    <Card key={t.personId} testID={`technician ${t.name}`}>
      <Row apart>
        <Heading>{t.name}</Heading>
        {may && open !== t.personId ? (
          <Press
            small
            title="Change"
            label={`Change what ${t.name} can do and when`}
            onPress={() => setOpen(t.personId)}
          />
        ) : null}
      </Row>
      {open === t.personId ? (
        <TechnicianForm
          technician={t}
          skills={page.setting.skills.map((s) => s.name)}
          again={again}
          onDone={() => setOpen(undefined)}
        />
      ) : (
        <Said technician={t} />
      )}
    </Card>
  ));
}

function Said({ technician: { skills, week, away } }: { technician: Technician }) {
  return (
    <>
      <Quiet>{skills.length ? `Can do: ${skills.join(', ')}` : 'No skill is said.'}</Quiet>
      <Quiet>{`Works: ${weekWords(week)}`}</Quiet>
      {away.map((a) => (
        <Quiet key={a.from}>{`Away ${a.from} to ${a.to}: ${a.why}`}</Quiet>
      ))}
    </>
  );
}

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const WORDS: Readonly<Record<Worked, string>> = { off: 'off', open: 'works', over: 'over time' };
const NEXT: Readonly<Record<Worked, Worked>> = { off: 'open', open: 'over', over: 'off' };

/** "Mon, Tue, Wed morning, Sat morning over time". */
function weekWords(week: readonly Worked[]): string {
  const days = DAYS.flatMap((day, d) => {
    const [a = 'off', b = 'off'] = week.slice(2 * d, 2 * d + 2);
    if (a === 'off' && b === 'off') return [];
    const over = a === 'over' || b === 'over' ? ' over time' : '';
    if (a !== 'off' && b !== 'off') return [`${day}${over}`];
    return [`${day} ${a === 'off' ? 'after noon' : 'morning'}${over}`];
  });
  return days.join(', ') || 'not at all';
}

interface TechnicianFormProps {
  readonly technician: Technician;
  readonly skills: readonly string[];
  readonly again: () => void;
  readonly onDone: () => void;
}

function TechnicianForm({ technician, skills, again, onDone }: TechnicianFormProps) {
  const [own, setOwn] = useState<readonly string[]>(technician.skills);
  const [week, setWeek] = useState<readonly Worked[]>(technician.week);
  const [away, setAway] = useState(awayOut(technician.away));
  const keep = useAction(async () => {
    await api('PUT /crew/technicians/{id}', {
      params: { id: technician.personId },
      body: { skills: [...own], week: [...week], away: awayIn(away), version: technician.version },
    });
    again();
    onDone();
  });
  return (
    <View style={styles.stack}>
      <Strong>Can do</Strong>
      <Row gap={SPACE.s}>
        {skills.map((s) => (
          <Chip
            key={s}
            title={s}
            on={own.includes(s)}
            onPress={() => setOwn(own.includes(s) ? own.filter((o) => o !== s) : [...own, s])}
          />
        ))}
        {skills.length ? null : <Quiet>Name skills below first.</Quiet>}
      </Row>
      <Strong>Works: a tap goes from off to works to over time</Strong>
      <View style={styles.week}>
        {DAYS.map((day, d) => (
          <View key={day} style={styles.day}>
            <Strong>{day}</Strong>
            {[0, 1].map((half) => (
              <HalfDayTap
                key={half}
                day={day}
                half={half ? 'after noon' : 'morning'}
                worked={week[2 * d + half] ?? 'off'}
                onPress={() => setWeek(week.map((w, i) => (i === 2 * d + half ? NEXT[w] : w)))}
              />
            ))}
          </View>
        ))}
      </View>
      <TextEntry
        label="Away, one a line: first day, last day, why"
        hint="2026-06-15 2026-06-19 on a course"
        lines={2}
        value={away}
        onChange={setAway}
      />
      {keep.trouble ? <Notice tone="rust" title="Not kept" text={keep.trouble} /> : null}
      <Buttons>
        <Press
          fill="pine"
          small
          title="Keep this"
          testID="keep technician"
          loading={keep.busy}
          onPress={() => void keep.run()}
        />
        <Press small title="Never mind" onPress={onDone} />
      </Buttons>
    </View>
  );
}

interface HalfDayTapProps {
  readonly day: string;
  readonly half: string;
  readonly worked: Worked;
  readonly onPress: () => void;
}

function HalfDayTap({ day, half, worked, onPress }: HalfDayTapProps) {
  const palette = usePalette();
  return (
    <Tap
      label={`${day} ${half}: ${WORDS[worked]}`}
      onPress={onPress}
      style={[
        styles.half,
        {
          borderColor: palette.line,
          backgroundColor:
            worked === 'off'
              ? palette.tray
              : worked === 'open'
                ? palette.pineTint
                : palette.blueTint,
        },
      ]}
    >
      <Quiet>{half}</Quiet>
      <Strong>{WORDS[worked]}</Strong>
    </Tap>
  );
}

const styles = StyleSheet.create({
  stack: { gap: SPACE.s },
  week: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xs },
  day: { gap: SPACE.xs, width: 104 },
  half: {
    minHeight: TARGET.desk,
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.s,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
