import { createElement, useRef, useState, type ReactNode } from 'react';
import type { Check, MachineFile, Reading, Walk } from '@green-tally/core/contracts';
import { atPlace } from '@green-tally/core/kinds';
import type { CheckVerdict } from '@green-tally/core/verdict';
import type { SafetyId } from '@green-tally/core/stand';
import { challenges, positionOf, type WalkStop } from '@green-tally/core/walk';
import { put, useAction, useTextDraft, type Action } from '../store';
import { Notice, Press, Row, Screen, Soon, TextEntry } from '../ui';
import { ChallengeThumb } from './ChallengeThumb';
import { BenchLink } from './BenchLink';
import { CheckTitle, WhyCard } from './CheckParts';
import { Glimpse, type Coming } from './Glimpse';
import { EarlierLine } from './EarlierLine';
import { takenIn, type CheckEvent, type CheckStep } from './checkStep';
import type { EntryProps, Taken } from './entries';
import { entryOf } from './entryOf';
import { RunAndLook, SkipEntry } from './EntryThumbs';
import { useKeys } from './keys/useKeys';
import { PositionBanner } from './PositionBanner';
import type { Standing } from './useStand';

interface EntryStepProps {
  readonly head: ReactNode;
  readonly photos: ReactNode;
  readonly file: MachineFile;
  readonly walk: Walk;
  readonly check: Check;
  readonly verdict: CheckVerdict | undefined;
  readonly step: Exclude<CheckStep, { at: 'verdict' }>;
  readonly tell: (event: CheckEvent) => void;
  readonly stands: Standing;
  /** what has to be made safe before it is taken */
  readonly asked: readonly SafetyId[];
  /** this walk's live readings of the check */
  readonly own: readonly Reading[];
  /** why it is due again */
  readonly because: WalkStop['because'];
  readonly take: Action<[taken: readonly Taken[], note: string, last: boolean]>;
  /** the verdict that comes of it, as it comes */
  readonly coming: Coming;
  readonly skip: Action<[why: string]>;
}

/**
 * Taking the readings of a check: the machine set, the drawing, the entry of its kind, a note, or
 * why it is not measured.
 */
export function EntryStep(props: EntryStepProps) {
  const { file, walk, check, verdict, step, tell, own, take } = props;
  const [note, setNote] = useTextDraft(`note|${walk.id}|${check.id}`);
  const [challenge, setChallenge] = useState<Challenge>();
  const noteField = useRef<{ focus: () => void }>(null);
  useKeys([{ key: 'n', does: 'write a note', run: () => noteField.current?.focus() }]);
  /** what the person says to a value that cannot well be; undefined: it is measured again */
  const asked = async (text: string): Promise<string | undefined> => {
    const why = await new Promise<string | undefined>((answer) => setChallenge({ text, answer }));
    setChallenge(undefined);
    return why;
  };
  const { wish } = step;
  const entry: EntryProps = {
    check,
    file,
    walk,
    state: wish.state,
    places: wish.places,
    readings: takenIn(wish, own),
    verdict,
    draftKey: `draft|${walk.id}|${check.id}|${wish.state}`,
    linksOut: wish.linksOut,
    onTake: async (taken, last = true) => {
      const [trouble] = taken.flatMap(({ place, value }) =>
        challenges({ value, note: '' }, atPlace(check, place)),
      );
      const why = trouble ? await asked(trouble.message) : note;
      if (why === undefined) return false;
      const stored = await take.run(taken, why.trim(), last);
      if (stored) setNote('');
      return stored;
    },
    onDone: () => tell({ type: 'done' }),
    frame: (body, footer) => (
      <Frame {...props} footer={challenge ? <ChallengeThumb {...challenge} note={note} /> : footer}>
        {step.at === 'unset' ? <WhyCard check={check} open /> : body}
        {step.at === 'entering' && wish.state === 'asFound' ? (
          <Soon>
            <TextEntry
              fieldRef={noteField}
              label="Note"
              value={note}
              onChange={setNote}
              hint="anything worth keeping with the reading"
            />
            <Row>
              <Press title="Skip, say why" onPress={() => tell({ type: 'skip' })} small />
              <BenchLink machineId={file.machine.id} check={check} state={wish.state} />
              {verdict && own.length ? (
                <Press title="See the verdict" onPress={() => tell({ type: 'seeVerdict' })} small />
              ) : null}
            </Row>
            {props.photos}
            <WhyCard check={check} />
          </Soon>
        ) : null}
      </Frame>
    ),
  };
  return createElement(entryOf(check), entry);
}

/** A value that cannot well be, and who hears what is said to it. */
interface Challenge {
  readonly text: string;
  readonly answer: (why: string | undefined) => void;
}

interface FrameProps extends EntryStepProps {
  readonly children: ReactNode;
  /** what the thumb does while readings are taken */
  readonly footer: ReactNode;
}

function Frame({ children, footer, ...props }: FrameProps) {
  const { head, photos, file, walk, check, step, stands, asked, because, take } = props;
  const { stand, confirm, moved } = stands;
  const note = useAction(async (found: Walk['asFound']) => {
    await put([{ kind: 'walk', body: { ...walk, asFound: { ...found, ...walk.asFound } } }]);
  });
  return (
    <Screen
      testID="check"
      title={check.component}
      beside={check.kind === 'measure' || check.kind === 'series'}
      head={head}
      footer={thumb(props, footer)}
      over={<Glimpse of={props.coming} />}
    >
      <PositionBanner
        check={check}
        stand={step.at === 'unset' ? undefined : stand}
        stood={stand}
        asked={asked}
        facts={positionOf(check, file.machine, file.sheets)}
        asFound={walk.asFound}
        onConfirm={(found) => {
          if (Object.keys(found).length) void note.run(found);
          void confirm.run(check.position, asked);
        }}
        onMoved={() => void moved.run()}
        busy={confirm.busy}
      />
      <CheckTitle check={check} />
      {step.at === 'unset' ? null : <EarlierLine file={file} check={check} walkId={walk.id} />}
      {because ? (
        <Notice title="Look again" text={`${because.component} was worked on: ${because.why}.`} />
      ) : null}
      {step.wish.state === 'asLeft' ? (
        <AsLeftNotice check={check} renewed={step.wish.renewed} />
      ) : null}
      {confirm.trouble || moved.trouble ? (
        <Notice
          tone="rust"
          title="How it stands is not kept on this device"
          text={confirm.trouble || moved.trouble}
        />
      ) : null}
      {note.trouble ? (
        <Notice tone="rust" title="How it was found is not kept" text={note.trouble} />
      ) : null}
      {take.trouble ? (
        <Notice tone="rust" title="Not stored on this device" text={take.trouble} />
      ) : null}
      {children}
      {step.at === 'entering' && step.wish.state === 'asLeft' ? (
        <>
          <BenchLink machineId={file.machine.id} check={check} state="asLeft" />
          {photos}
        </>
      ) : null}
    </Screen>
  );
}

/** What stands at the bottom in each step; nothing before the machine stands as the check wants. */
function thumb(
  { file, step, tell, walk, check, skip }: EntryStepProps,
  entering: ReactNode,
): ReactNode {
  switch (step.at) {
    case 'unset':
      return step.wish.state === 'asFound' ? (
        <Press title="Skip, say why" onPress={() => tell({ type: 'skip' })} small />
      ) : undefined;
    case 'settling':
      return <RunAndLook machineId={file.machine.id} walk={walk} check={check} tell={tell} />;
    case 'skipping':
      return (
        <SkipEntry
          draftKey={`skip|${walk.id}|${check.id}`}
          skip={skip}
          onBack={() => tell({ type: 'back' })}
        />
      );
    case 'entering':
      return entering;
  }
}

function AsLeftNotice({ check, renewed }: { check: Check; renewed: boolean }) {
  return (
    <Notice
      tone="blue"
      title={renewed ? 'Renewed: now as left' : 'Put right: now as left'}
      text={
        check.runsToSettle
          ? 'An adjuster moves after the first run. Everyone clear, doors shut, run it a minute, make safe again, then look and enter what you see.'
          : 'Make safe before you reach in. Enter what it reads now; only an as-left reading that holds closes the work.'
      }
    />
  );
}
