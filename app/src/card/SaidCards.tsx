import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Image, StyleSheet } from 'react-native';
import { heardKey, saidWords, unheard } from '@green-tally/core/card';
import type { MachineFile, OperatorSaid } from '@green-tally/core/contracts';
import { printHours } from '@green-tally/core/units';
import { checksFor } from '@green-tally/core/walk';
import { bytesOf, pathOf, useAction, useTextDraft, useTick } from '../store';
import { Body, Buttons, Card, Heading, Notice, Press, Quiet, RADIUS } from '../ui';
import { usePlanDraft } from '../walk/planDraft';
import { momentWords } from '../yard/words';

/** What operators said on the machine's card and nobody has heard of yet. */
export function SaidCards({ file }: { readonly file: MachineFile }) {
  return unheard(file.said, file.ticks).map((said) => (
    <OneSaid key={said.id} file={file} said={said} />
  ));
}

interface OneSaidProps {
  readonly file: MachineFile;
  readonly said: OperatorSaid;
}

function OneSaid({ file, said }: OneSaidProps) {
  const { machine, sheets } = file;
  const router = useRouter();
  const checks = checksFor(machine, sheets);
  const tick = useTick(machine.id);
  const words = saidWords(said, checks);
  const right = said.answers.filter((a) => a.is === 'fine').length;
  const [noticed, setNoticed] = useTextDraft(`walk-noticed|${machine.id}`);
  const plan = usePlanDraft(machine.id);
  const walk = async () => {
    setNoticed([...(noticed ? [noticed] : []), words].join('; ').slice(0, 300));
    plan.change({ kind: 'symptom' });
    await tick.run(heardKey(said.id), true);
    router.push(`/walk/${machine.id}`);
  };
  return (
    <Card edge="violet" testID="operator says">
      <Heading>{`The operator says: ${said.name}, ${momentWords(said.at)}`}</Heading>
      <Body>{words || 'Nothing was noticed.'}</Body>
      <Quiet>
        {[
          ...(said.hours === null
            ? []
            : [`${printHours(said.hours)} on the meter, as they read it`]),
          ...(right ? [`${right} looked right to them`] : []),
          'what an operator says is no reading',
        ].join(' · ')}
      </Quiet>
      {said.photo ? <SaidPhoto id={said.id} /> : null}
      <Buttons>
        {words ? (
          <Press
            style={styles.half}
            title="Walk what it points to"
            fill="pine"
            loading={tick.busy}
            onPress={() => void walk()}
            small
          />
        ) : null}
        <Press
          style={styles.half}
          title="Heard"
          label={`Heard what ${said.name} says`}
          loading={tick.busy}
          onPress={() => void tick.run(heardKey(said.id), true)}
          small
        />
      </Buttons>
      {tick.trouble ? <Notice tone="rust" title="Not kept" text={tick.trouble} /> : null}
    </Card>
  );
}

function SaidPhoto({ id }: { readonly id: string }) {
  const [url, setUrl] = useState<string>();
  const show = useAction(async () => {
    const data = await bytesOf(pathOf('GET /said/{id}/photo', { params: { id } }));
    setUrl(URL.createObjectURL(new Blob([data], { type: 'image/jpeg' })));
  });
  if (url)
    return <Image source={{ uri: url }} style={styles.picture} aria-label="The operator’s photo" />;
  return (
    <>
      <Press title="Show the photo" loading={show.busy} onPress={() => void show.run()} small />
      {show.trouble ? <Notice title="No photo" text={show.trouble} /> : null}
    </>
  );
}

const styles = StyleSheet.create({
  half: { flex: 1 },
  picture: { width: '100%', height: 220, borderRadius: RADIUS.s },
});
