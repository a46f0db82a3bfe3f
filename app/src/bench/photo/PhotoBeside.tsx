import { format } from 'date-fns/format';
import { Body, Card, Notice, Press, Quiet, Row, SPACE, Strong, TextEntry } from '../../ui';
import { ChoosePress } from '../../ui/FilePress';
import type { PhotoMeasure } from './usePhotoMeasure';

/** A photo is taken or chosen; the strip is printed. */
export function Chooser({ on }: { on: PhotoMeasure }) {
  const { looking, photo, again } = on;
  return (
    <Card>
      {photo ? null : (
        <Body>
          Lay the printed strip flat beside what is measured, level with it. Take the photo from
          straight above, with all of the strip and both ends in it.
        </Body>
      )}
      <ChoosePress
        title={photo ? 'Another photo' : 'Take the photo'}
        fill={photo ? undefined : 'pine'}
        label="Photo with the strip"
        testID="strip photo"
        accept="image/*"
        camera
        busy={looking.busy}
        onChoose={(file) => void looking.run(file)}
      />
      {looking.busy || (again && !photo) ? <Body live>Looking for the strip…</Body> : null}
      {again ? (
        <Quiet testID="photo again">{`Chosen ${format(new Date(again), 'EEE d MMM, HH:mm')}, and what was tapped in it.`}</Quiet>
      ) : null}
      {looking.trouble ? <Notice tone="rust" title="Not looked at" text={looking.trouble} /> : null}
      <Row gap={SPACE.s}>
        {(['a4', 'letter'] as const).map((paper) => (
          <Press
            key={paper}
            small
            title={`Strip as PDF, ${paper === 'a4' ? 'A4' : 'Letter'}`}
            testID={`strip ${paper}`}
            onPress={() => void globalThis.open?.(`/api/strip.pdf?paper=${paper}`, '_blank')}
          />
        ))}
      </Row>
    </Card>
  );
}

/** What a person says beside the photo. */
export function Said({ on }: { on: PhotoMeasure }) {
  return (
    <Card testID="photo said">
      <TextEntry
        label="The strip’s 100 mm bar, by caliper"
        value={on.proof}
        onChange={on.setProof}
        hint="not measured: ± 0.5 % more"
      />
      {on.troubles.proof ? <Strong tone="rust">{on.troubles.proof}</Strong> : null}
      <TextEntry
        label="Nearer to the camera than the strip, mm"
        value={on.nearer}
        onChange={on.setNearer}
        hint="level: 0, farther: −; unsaid: ± 2 mm"
      />
      {on.troubles.nearer ? <Strong tone="rust">{on.troubles.nearer}</Strong> : null}
      <Quiet>
        Two millimetres nearer make it look most of a percent longer: lay the strip level, or say
        how far it is off.
      </Quiet>
    </Card>
  );
}
