import { useRouter, type Href } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { readCode } from '@green-tally/core/labels';
import { Yard } from '@green-tally/core/contracts';
import { SyncLine } from '../session/SyncLine';
import { api, ApiProblem, troubleText, useAction } from '../store';
import { Body, Buttons, HeadRow, Notice, Press, RADIUS, Screen, Title } from '../ui';
import { ChoosePress } from '../ui/FilePress';
import { refusedWords } from '../ui/refused';
import { PrintLabels } from './PrintLabels';
import { openReader, type Reader } from './reader';

/** From one look at what the camera sees to the next, ms. */
const EVERY = 250;

/** A label before the camera, or a picture of one: opens the machine, its walk, or the operator's card. */
export function ScanScreen() {
  const router = useRouter();
  const video = useRef<HTMLVideoElement | null>(null);
  const reader = useRef<Reader | undefined>(undefined);
  const stream = useRef<MediaStream | undefined>(undefined);
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState('');
  const close = () => {
    stream.current?.getTracks().forEach((t) => t.stop());
    stream.current = undefined;
    setOpen(false);
  };
  useEffect(
    () => () => {
      stream.current?.getTracks().forEach((t) => t.stop());
      reader.current?.end();
    },
    [],
  );
  /** opens what a code is of, or says why not */
  const follow = async (code: string): Promise<void> => {
    const found = readCode(code, globalThis.location?.origin ?? '');
    if ('trouble' in found) return setSaid(found.trouble);
    const to = 'opens' in found ? found.opens : await machineNamed(found.serial);
    if (!to) return setSaid(`No machine here is called “${code.trim()}”.`);
    close();
    router.replace(to as Href);
  };
  const newest = useRef(follow);
  useEffect(() => {
    newest.current = follow;
  });
  useEffect(() => {
    if (!open) return;
    let last = '';
    let looking = false;
    const timer = setInterval(() => {
      const shown = video.current;
      if (!shown?.videoWidth || looking) return;
      looking = true;
      void (reader.current ??= openReader())
        .read(shown, [shown.videoWidth, shown.videoHeight])
        .then(async (code) => {
          if (code === null || code === last) return;
          last = code;
          await newest.current(code);
        })
        .catch((error: unknown) => setSaid(troubleText(error)))
        .finally(() => (looking = false));
    }, EVERY);
    return () => clearInterval(timer);
  }, [open]);
  const camera = useAction(async () => {
    setSaid('');
    const devices = globalThis.navigator?.mediaDevices;
    if (!devices?.getUserMedia)
      throw new Error('This browser gives no camera here. Choose a picture of the label instead.');
    stream.current = await devices
      .getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } } })
      .catch((error: unknown) => {
        throw new Error(
          refusedWords(
            error instanceof Error ? error.name : '',
            'camera',
            'a picture of the label',
          ),
        );
      });
    setOpen(true);
    if (video.current) {
      video.current.srcObject = stream.current;
      await video.current.play();
    }
  });
  const picture = useAction(async (file: Blob) => {
    setSaid('');
    const bitmap = await createImageBitmap(file).catch(() => {
      throw new Error(
        'This file is no picture that can be read here. Choose a photo of the label.',
      );
    });
    const code = await (reader.current ??= openReader()).read(bitmap, [
      bitmap.width,
      bitmap.height,
    ]);
    bitmap.close();
    if (code === null)
      throw new Error('No code is seen in this picture. Go nearer, in good light, and hold still.');
    await follow(code);
  });
  const trouble = camera.trouble || picture.trouble || said;
  return (
    <Screen testID="scan" title="Scan a label">
      <HeadRow back={{ to: '/', title: 'Yard', label: 'Back to the Yard' }}>
        <SyncLine />
      </HeadRow>
      <Title>Scan a label</Title>
      <Body>The label of a machine, a station or a card. What is seen stays on this device.</Body>
      <View style={open ? styles.shown : styles.hidden}>
        <video ref={video} muted playsInline aria-label="What the camera sees" style={seen} />
      </View>
      {trouble ? (
        <Notice tone="rust" title="Not opened" text={trouble} testID="scan trouble" />
      ) : null}
      <Buttons>
        {open ? (
          <Press title="Stop" onPress={close} />
        ) : (
          <Press
            fill="pine"
            title="Use the camera"
            testID="use camera"
            loading={camera.busy}
            onPress={() => void camera.run()}
          />
        )}
        <ChoosePress
          title="A picture"
          label="Picture of a label"
          testID="label picture"
          accept="image/*"
          busy={picture.busy}
          onChoose={(file) => void picture.run(file)}
        />
      </Buttons>
      <PrintLabels />
    </Screen>
  );
}

/** The machine of a serial, by the server's list. */
async function machineNamed(serial: string): Promise<string | undefined> {
  try {
    const { rows } = Yard.parse(await api('GET /yard', { query: { q: serial } }));
    const row = rows.find((r) => r.machine.serial.toLowerCase() === serial.toLowerCase());
    return row && `/machine/${row.machine.id}`;
  } catch (error) {
    if (error instanceof ApiProblem) return undefined;
    throw error;
  }
}

const seen = { width: '100%', display: 'block' } as const;

const styles = StyleSheet.create({
  shown: { borderRadius: RADIUS.m, overflow: 'hidden' },
  hidden: { height: 0, overflow: 'hidden' },
});
