import { useRef, useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import type { Check, MachineFile, Photo, Walk } from '@green-tally/core/contracts';
import { api, Unreachable, useAction, useClock, useOutgoing, useSession } from '../../store';
import {
  Notice,
  Press,
  Quiet,
  RADIUS,
  Row,
  SPACE,
  STROKE,
  Strong,
  Tap,
  usePalette,
} from '../../ui';
import { momentWords } from '../../yard/words';
import { takePhoto } from './takePhoto';
import { fullOf, usePhotoUrl } from './usePhotoUrl';

interface PhotoStripProps {
  readonly file: MachineFile;
  readonly check: Check;
  readonly walk: Pick<Walk, 'id'> | undefined;
}

/**
 * Photos of a check: those of this walk and of earlier ones, and a way to take more. What is taken is
 * kept on this device at once and sent after the readings.
 */
export function PhotoStrip({ file, check, walk }: PhotoStripProps) {
  const clock = useClock();
  const { data: session } = useSession();
  const input = useRef<HTMLInputElement | null>(null);
  const by = session?.person?.name ?? '';
  const [open, setOpen] = useState<string>();
  const photos = file.photos.filter((p) => p.checkId === check.id && !p.dropped).reverse();
  const shown = photos.find((p) => p.id === open);
  const take = useAction(async (chosen: readonly File[]) => {
    const about = {
      machineId: file.machine.id,
      walkId: walk?.id ?? null,
      checkId: check.id,
      place: '',
      by,
    };
    for (const picture of chosen) await takePhoto(picture, about, clock());
  });
  return (
    <View style={{ gap: SPACE.s }} testID="photos">
      <Row gap={SPACE.s}>
        {walk ? (
          <Press
            small
            title="Photo"
            label="Take a photo, or choose one"
            testID="take photo"
            loading={take.busy}
            onPress={() => input.current?.click()}
          />
        ) : null}
        {photos.map((photo) => (
          <Thumb
            key={photo.id}
            photo={photo}
            open={photo.id === open}
            onPress={() => setOpen(photo.id === open ? undefined : photo.id)}
          />
        ))}
      </Row>
      <input
        ref={input}
        type="file"
        accept="image/*"
        multiple
        aria-label="Photo file"
        data-testid="photo file"
        hidden
        onChange={(e) => {
          const chosen = [...(e.target.files ?? [])];
          e.target.value = '';
          if (chosen.length) void take.run(chosen);
        }}
      />
      {take.trouble ? <Notice tone="rust" title="No photo kept" text={take.trouble} /> : null}
      {shown ? <OpenPhoto photo={shown} by={by} onDone={() => setOpen(undefined)} /> : null}
    </View>
  );
}

interface ThumbProps {
  readonly photo: Photo;
  readonly open: boolean;
  readonly onPress: () => void;
}

function Thumb({ photo, open, onPress }: ThumbProps) {
  const palette = usePalette();
  const url = usePhotoUrl(photo);
  return (
    <Tap
      label={`Photo, ${momentWords(photo.takenAt)}`}
      testID="photo"
      expanded={open}
      onPress={onPress}
    >
      <View style={[styles.thumb, { borderColor: open ? palette.pine : palette.line }]}>
        {url ? (
          <Image source={{ uri: url }} style={styles.picture} resizeMode="cover" />
        ) : (
          <Quiet>{url === null ? 'no signal' : '…'}</Quiet>
        )}
      </View>
    </Tap>
  );
}

interface OpenPhotoProps {
  readonly photo: Photo;
  readonly by: string;
  readonly onDone: () => void;
}

/** Who took it and when, and what may be done with it. */
function OpenPhoto({ photo, by, onDone }: OpenPhotoProps) {
  const waiting = useOutgoing(photo.machineId)?.some((o) => o.id === photo.id);
  const url = usePhotoUrl(photo);
  const [sure, setSure] = useState(false);
  const look = useAction(async () => {
    const data = await fullOf(photo).catch((error: unknown) => {
      if (error instanceof Unreachable)
        throw new Error('Not on this device whole: it needs signal.');
      throw error;
    });
    globalThis.open?.(URL.createObjectURL(new Blob([data], { type: 'image/jpeg' })), '_blank');
  });
  const drop = useAction(async () => {
    await api('DELETE /photos/{id}', { params: { id: photo.id } });
    onDone();
  });
  const trouble = look.trouble || drop.trouble;
  return (
    <View style={{ gap: SPACE.s }} testID="open photo">
      {url ? (
        <Image
          source={{ uri: url }}
          style={[styles.large, { aspectRatio: photo.width / photo.height }]}
          accessibilityLabel={`Photo by ${photo.by}`}
        />
      ) : null}
      <Quiet>{`${momentWords(photo.takenAt)}, ${photo.by}${waiting ? ', waits to be sent' : ''}`}</Quiet>
      <Row gap={SPACE.s}>
        <Press
          small
          title="Whole"
          label="Open the whole photo"
          loading={look.busy}
          onPress={() => void look.run()}
        />
        {photo.by === by && !waiting ? (
          <Press
            small
            fill={sure ? 'rust' : undefined}
            title={sure ? 'Tap again to take it away' : 'Take away'}
            loading={drop.busy}
            onPress={() => (sure ? void drop.run() : setSure(true))}
          />
        ) : null}
        <Press small title="Fold" label="Fold the photo" onPress={onDone} />
      </Row>
      {trouble ? <Strong tone="rust">{trouble}</Strong> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  thumb: {
    width: 64,
    height: 56,
    borderWidth: STROKE.thick,
    borderRadius: RADIUS.s,
    overflow: 'hidden',
    alignItems: 'center',
    justifyContent: 'center',
  },
  picture: { width: '100%', height: '100%' },
  large: { width: '100%', maxWidth: 480, borderRadius: RADIUS.s },
});
