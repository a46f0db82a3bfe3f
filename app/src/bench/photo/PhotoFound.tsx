import type { ReactNode } from 'react';
import { photoResults } from '@green-tally/core/bench';
import type { PhotoQuantity } from '@green-tally/core/benchFor';
import type { Check } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { Card, Chip, Heading, Notice, Press, Quiet, Row, SPACE, Strong } from '../../ui';
import { ResultLine } from '../ResultLine';
import { PhotoPicture } from './PhotoPicture';
import { laidOf, straightEdge, type OnPhoto, type PhotoMeasure } from './usePhotoMeasure';
import { WHAT } from './what';

interface FoundProps {
  readonly on: PhotoMeasure;
  readonly check: Check | undefined;
  readonly what: PhotoQuantity;
}

/** The photo with what was found in it, and what comes of it. */
export function Found({ on, check, what }: FoundProps) {
  const { photo, length, stop } = on;
  if (!photo) return null;
  const { strip } = photo.looked;
  if (!strip.found)
    return (
      <>
        <PhotoPicture
          bitmap={photo.bitmap}
          label="The photo; no strip is seen in it"
          testID="photo"
          view={[0, 0, photo.looked.width, photo.looked.height]}
          corners={[]}
          taps={[]}
          loupe={false}
          onTap={() => undefined}
        />
        <Notice tone="rust" title="Nothing to measure by" text={strip.why} />
      </>
    );
  return (
    <Card testID="photo found">
      <Quiet>{`${strip.cells} of 13 cells found, ${strip.plane.used} corners, each within ${printNumber(strip.plane.stray, 2)} pixels.`}</Quiet>
      {strip.doubts.map((doubt) => (
        <Strong key={doubt} tone="violet">
          {doubt}
        </Strong>
      ))}
      <Tapping on={on} photo={photo} corners={strip.corners} what={what}>
        {stop ? <Notice tone="rust" title="Not measured" text={stop} /> : null}
        {on.byEye ? (
          <Strong tone="violet">
            A mark is by eye: nothing was found there to hold on to. Look closer and tap again.
          </Strong>
        ) : null}
        {length
          ? photoResults(length, check).map((result) => (
              <ResultLine key={result.label} result={result} />
            ))
          : null}
      </Tapping>
    </Card>
  );
}

/** The closer look is so wide, px of the photo on a phone. */
const CLOSER = 240;

/** The photo, and a closer look at the mark that is being laid. */
function Tapping({
  on,
  photo,
  corners,
  what,
  children,
}: {
  on: PhotoMeasure;
  photo: OnPhoto;
  corners: Parameters<typeof PhotoPicture>[0]['corners'];
  what: PhotoQuantity;
  /** what comes of the marks, before the closer look at them */
  children: ReactNode;
}) {
  const { taps, active, count, plane, tapTrouble } = on;
  if (!plane) return null;
  const laid = laidOf(plane, taps);
  const looked = taps[active] ?? taps.at(-1);
  const words =
    taps.length < count
      ? WHAT[what].tap[taps.length]
      : 'Both marks lie. Tap a number to move its mark.';
  return (
    <>
      <Heading>
        {count === 1 && taps.length ? 'The mark lies. Tap again to move it.' : words}
      </Heading>
      {tapTrouble ? <Notice tone="rust" title="Not tapped" text={tapTrouble} /> : null}
      <PhotoPicture
        bitmap={photo.bitmap}
        label={`Photo with the strip. ${words ?? ''} Arrow keys move the last mark.`}
        testID="photo"
        view={[0, 0, photo.looked.width, photo.looked.height]}
        corners={corners}
        taps={laid}
        edge={what === 'toStrip' ? straightEdge(plane) : undefined}
        onTap={on.tap}
        onNudge={on.nudge}
      />
      <Row gap={SPACE.s}>
        {count > 1
          ? taps.map((_, i) => (
              <Chip
                key={i}
                title={`Mark ${i + 1}`}
                on={i === active}
                onPress={() => on.choose(i)}
                testID={`mark ${i + 1}`}
              />
            ))
          : null}
        <Chip
          title={on.mark === 'pin' ? 'Holds on to pins' : 'Holds on to edges'}
          on={on.holds}
          onPress={() => on.setHolds(!on.holds)}
          testID="holds"
        />
        {taps.length ? <Press small title="Tap anew" testID="tap anew" onPress={on.clear} /> : null}
      </Row>
      {children}
      {looked ? (
        <>
          <Quiet>Closer: is the cross on what was meant? Tap here to put it right.</Quiet>
          <PhotoPicture
            bitmap={photo.bitmap}
            label="A closer look at the mark. Arrow keys move it."
            testID="closer"
            view={[looked.px[0] - CLOSER / 2, looked.px[1] - CLOSER / 4, CLOSER, CLOSER / 2]}
            corners={[]}
            taps={laid}
            loupe={false}
            onTap={(at, perPx) => on.tap(at, perPx, Math.min(active, taps.length - 1))}
            onNudge={on.nudge}
          />
        </>
      ) : null}
    </>
  );
}
