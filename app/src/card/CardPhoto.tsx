import { useRef } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { useAction } from '../store';
import { Notice, Press, RADIUS, SPACE } from '../ui';
import { shrinkApart } from '../walk/photos/takePhoto';

interface CardPhotoProps {
  /** base64 of a JPEG */
  readonly photo: string | null;
  readonly onPhoto: (photo: string | null) => void;
}

/** One photo with what an operator says, shrunk before it is kept. */
export function CardPhoto({ photo, onPhoto }: CardPhotoProps) {
  const input = useRef<HTMLInputElement | null>(null);
  const take = useAction(async (file: File) => {
    const { full } = await shrinkApart(file);
    onPhoto(base64Of(full));
  });
  return (
    <View style={styles.photo}>
      {photo ? (
        <Image
          source={{ uri: `data:image/jpeg;base64,${photo}` }}
          style={styles.picture}
          aria-label="The photo that goes with it"
        />
      ) : null}
      <Press
        title={photo ? 'Take it away' : 'Photo'}
        label={photo ? 'Take the photo away' : 'Take a photo, or choose one'}
        loading={take.busy}
        onPress={() => (photo ? onPhoto(null) : input.current?.click())}
        small
      />
      <input
        ref={input}
        type="file"
        accept="image/*"
        aria-label="Photo file"
        data-testid="card photo"
        hidden
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) void take.run(file);
          e.target.value = '';
        }}
      />
      {take.trouble ? <Notice tone="rust" title="No photo" text={take.trouble} /> : null}
    </View>
  );
}

function base64Of(data: ArrayBuffer): string {
  let text = '';
  const bytes = new Uint8Array(data);
  for (let i = 0; i < bytes.length; i += 8192)
    text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
}

const styles = StyleSheet.create({
  photo: { gap: SPACE.s },
  picture: { width: 160, height: 120, borderRadius: RADIUS.s },
});
