import { useLocalSearchParams } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { isMeasured, photoFor, type PhotoQuantity } from '@green-tally/core/benchFor';
import type { Check } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { checksFor } from '@green-tally/core/walk';
import { WithMachine, type Known } from '../../machine/WithMachine';
import { SyncLine } from '../../session/SyncLine';
import { useDraft } from '../../store';
import {
  Body,
  Choice,
  HeadRow,
  Notice,
  Quiet,
  Screen,
  SPACE,
  Strong,
  Title,
  useWide,
} from '../../ui';
import { Chooser, Said } from './PhotoBeside';
import { Found } from './PhotoFound';
import { TakeLength } from './TakeLength';
import { usePhotoMeasure } from './usePhotoMeasure';
import { Quantity, WHAT } from './what';

/** Measuring from a photo with the printed strip in it: by itself, or for a check. */
export function PhotoScreen() {
  const { machine, check } = useLocalSearchParams<Record<string, string>>();
  if (!machine || !check) return <Measure />;
  return (
    <WithMachine id={machine} what="the check">
      {(known) => <OfCheck known={known} checkId={check} />}
    </WithMachine>
  );
}

function OfCheck({ known, checkId }: { known: Known; checkId: string }) {
  const { machine, sheets } = known.file;
  const check = checksFor(machine, sheets).find((c) => c.id === checkId);
  const quantity = check && photoFor(check);
  if (check && quantity)
    return <Measure key={check.id} of={{ known, check }} quantity={quantity} />;
  return (
    <Screen title="Not from a photo">
      <HeadRow back={{ to: '/bench', title: 'Bench', label: 'Back to the bench' }} />
      <Notice
        alone
        title={
          check
            ? `${check.component}: not measured from a photo`
            : `${machine.serial} has no such check`
        }
        text={check ? 'Measure it as its sheet says.' : 'Its spec sheet may have changed.'}
      />
    </Screen>
  );
}

interface MeasureProps {
  readonly of?: { readonly known: Known; readonly check: Check };
  readonly quantity?: PhotoQuantity;
}

function Measure({ of, quantity }: MeasureProps) {
  const wide = useWide();
  const [chosen, choose] = useDraft<PhotoQuantity>('photo|what', Quantity, 'between');
  const what = quantity ?? chosen;
  const on = usePhotoMeasure(of ? `${of.known.file.machine.id}|${of.check.id}` : '', what);
  const taking = (
    <>
      {quantity ? null : (
        <Choice
          label="What is measured"
          value={what}
          onChange={(next) => {
            choose(next);
            on.clear();
          }}
          options={Object.entries(WHAT).map(([value, { title }]) => ({
            value: value as PhotoQuantity,
            title,
          }))}
        />
      )}
      <Body>{WHAT[what].how}</Body>
      {of ? <AboutCheck check={of.check} /> : null}
      <Chooser on={on} />
    </>
  );
  const entered = <Said on={on} />;
  const found = <Found on={on} check={of?.check} what={what} />;
  return (
    <Screen
      testID="photo bench"
      title="Measure from a photo"
      full={wide}
      footer={of ? <TakeLength {...of} on={on} /> : undefined}
    >
      <HeadRow
        back={
          of
            ? {
                to: `/walk/${of.known.file.machine.id}/${of.check.id}`,
                title: of.check.component,
                label: 'Back to the check',
              }
            : { to: '/bench', title: 'Bench', label: 'Back to the bench' }
        }
      >
        <SyncLine />
      </HeadRow>
      <Title>Measure from a photo</Title>
      {wide ? (
        <View style={styles.beside}>
          <View style={styles.most}>{on.photo ? found : taking}</View>
          <View style={styles.rest}>
            {on.photo ? taking : null}
            {entered}
          </View>
        </View>
      ) : (
        <>
          {on.photo ? null : taking}
          {found}
          {entered}
          {on.photo ? taking : null}
        </>
      )}
      <Quiet>
        The maker’s manual and the spec sheet go before anything measured here. Make the machine
        safe before you reach in; lean over nothing that can move.
      </Quiet>
    </Screen>
  );
}

/** What the check wants between the two taps. */
function AboutCheck({ check }: { check: Check }) {
  if (!isMeasured(check) || check.limit.type !== 'elongation') return null;
  const { pitches, pitch } = check.limit;
  return (
    <Strong>{`Over ${pitches} pitches: from one pin to the ${pitches}th after it, ${printNumber(pitches * pitch, 1)} mm when new.`}</Strong>
  );
}

const styles = StyleSheet.create({
  beside: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  most: { flex: 2, minWidth: 0, gap: SPACE.m },
  rest: { flex: 1, minWidth: 0, gap: SPACE.m },
});
