import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import type { BreakdownKind, MachineFile } from '@green-tally/core/contracts';
import type { Standing } from '@green-tally/core/plan';
import { put, useAction, useClock, useMachine, useSession } from '../store';
import {
  Body,
  Card,
  Choice,
  HeadRow,
  Notice,
  Press,
  Quiet,
  Screen,
  SPACE,
  Strong,
  Tap,
  TextEntry,
  Title,
  usePalette,
  Waiting,
} from '../ui';
import { SyncLine } from '../session/SyncLine';
import { machineName } from '../yard/words';
import { WHAT } from './words';

/** A machine has stopped: what, what happened, how long. Three taps, and kept without signal. */
export function BreakdownScreen() {
  const { machine = '' } = useLocalSearchParams<{ machine?: string }>();
  const { file, standing, isLoading } = useMachine(machine);
  if (!file || !standing)
    return (
      <Waiting
        what="the machine"
        trouble={isLoading ? undefined : 'It is not on this device.'}
        again={() => undefined}
      />
    );
  return <Form file={file} standing={standing} />;
}

interface Component {
  readonly checkId: string | null;
  readonly component: string;
}

const LOST = ['1', '2', '4', '8'] as const;
/** So many are shown before anything is sought. */
const LIKELY = 6;

function Form({ file, standing }: { file: MachineFile; standing: Standing }) {
  const { machine } = file;
  const router = useRouter();
  const now = useClock();
  const { data: session } = useSession();
  const by = session?.person?.name ?? '';
  const [chosen, setChosen] = useState<Component>();
  const [kind, setKind] = useState<BreakdownKind>();
  const [lost, setLost] = useState<string>();
  const [hours, setHours] = useState('');
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<File>();
  const input = useRef<HTMLInputElement | null>(null);
  const typed = hours.trim() === '' ? (lost ?? '') : hours.trim().replace(',', '.');
  const hoursLost = typed === '' ? null : Number(typed);
  const keep = useAction(async () => {
    if (!chosen || !kind) return;
    if (hoursLost !== null && !(hoursLost >= 0)) throw new Error('Hours lost: type figures.');
    const id = uuidv7();
    const at = now();
    const body = {
      ...{ id, machineId: machine.id, at: at.toISOString(), hours: machine.hours },
      ...{ ...chosen, kind, hoursLost, note: note.trim(), by },
    };
    await put([{ kind: 'breakdown', body }]);
    if (photo) {
      // the walk's own way: loaded with it, by those who photograph
      const { takePhoto } = await import('../walk/underWay');
      await takePhoto(
        photo,
        {
          ...{ machineId: machine.id, walkId: null, by, place: 'breakdown' },
          checkId: chosen.checkId ?? 'breakdown',
        },
        at,
      );
    }
    router.replace(`/machine/${machine.id}`);
  });
  return (
    <Screen
      testID="breakdown"
      title="It has stopped"
      footer={
        <Press
          fill="rust"
          title={chosen && kind ? 'Keep this breakdown' : 'Say what, and what happened'}
          testID="keep breakdown"
          disabled={!chosen || !kind}
          loading={keep.busy}
          onPress={() => void keep.run()}
        />
      }
    >
      <HeadRow
        back={{
          to: `/machine/${machine.id}`,
          title: machineName(machine),
          label: 'Back to the machine',
        }}
      >
        <SyncLine />
      </HeadRow>
      <Title>It has stopped</Title>
      <Body>
        Stop the engine, take the key out and keep it on you, and let all motion run down before
        anybody looks. What holds load or spring is secured first, by the maker’s manual.
      </Body>
      <What standing={standing} chosen={chosen} onChoose={setChosen} />
      <Choice label="What happened" value={kind} onChange={setKind} options={WHAT} />
      <Choice
        label="Hours lost"
        value={hours.trim() ? undefined : lost}
        onChange={setLost}
        options={LOST.map((h) => ({ value: h, title: `${h} h` }))}
      />
      <TextEntry
        label="Or so many hours"
        numeric
        value={hours}
        onChange={setHours}
        hint="it stands still: leave empty"
      />
      <TextEntry label="Anything else" value={note} onChange={setNote} lines={2} />
      <Press
        small
        title={photo ? 'A photo is with it' : 'Photo'}
        onPress={() => input.current?.click()}
      />
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        onChange={(e) => setPhoto(e.target.files?.[0])}
      />
      {keep.trouble ? <Notice tone="rust" title="Not kept" text={keep.trouble} /> : null}
      <Quiet>It closes what had been forecast of this component for this harvest.</Quiet>
    </Screen>
  );
}

interface WhatProps {
  readonly standing: Standing;
  readonly chosen: Component | undefined;
  readonly onChoose: (component: Component) => void;
}

/** Which component: the likeliest ones to tap, any other by its name. */
function What({ standing, chosen, onChoose }: WhatProps) {
  const [find, setFind] = useState('');
  const components = useMemo(() => componentsOf(standing), [standing]);
  const wanted = find.trim().toLowerCase();
  const shown = wanted
    ? components.filter((c) => c.component.toLowerCase().includes(wanted)).slice(0, 2 * LIKELY)
    : components.slice(0, LIKELY);
  return (
    <>
      <Strong>What</Strong>
      {shown.map((c) => (
        <Pick
          key={`${c.checkId ?? ''} ${c.component}`}
          title={c.component}
          on={chosen?.checkId === c.checkId && chosen.component === c.component}
          onPress={() => onChoose(c)}
        />
      ))}
      {wanted && !shown.length ? (
        <Pick
          title={`Something else: ${find.trim()}`}
          on={chosen?.checkId === null}
          onPress={() => onChoose({ checkId: null, component: find.trim() })}
        />
      ) : null}
      <TextEntry
        label="Find a component"
        value={find}
        onChange={setFind}
        hint="belt, chain, knife"
      />
    </>
  );
}

/** The components of a machine, the likeliest to stop first. */
function componentsOf({ verdicts }: Standing): Component[] {
  const chance = (v: Standing['verdicts'][number]) =>
    Math.max(0, ...v.places.map((p) => p.forecast?.chance ?? 0));
  const seen = new Set<string>();
  return [...verdicts]
    .sort((a, b) => chance(b) - chance(a))
    .flatMap(({ check }): Component[] => {
      if (seen.has(check.component)) return [];
      seen.add(check.component);
      return [{ checkId: check.id, component: check.component }];
    });
}

function Pick({ title, on, onPress }: { title: string; on: boolean; onPress: () => void }) {
  const palette = usePalette();
  return (
    <Tap role="radio" selected={on} label={title} onPress={onPress}>
      <Card edge={on ? 'pine' : 'line'} fill={on ? 'pineTint' : 'card'} style={styles.pick}>
        <View style={{ backgroundColor: palette[on ? 'pineTint' : 'card'] }}>
          <Strong>{title}</Strong>
        </View>
      </Card>
    </Tap>
  );
}

const styles = StyleSheet.create({ pick: { paddingVertical: SPACE.s } });
