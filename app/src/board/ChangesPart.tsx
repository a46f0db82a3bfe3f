import { differencesOf } from '@green-tally/core/board';
import { StyleSheet } from 'react-native';
import { useTextDraft } from '../store';
import { Buttons, Card, Notice, Press, Quiet, Strong, Tap, TextEntry } from '../ui';
import { placingWords } from './words';
import type { Desk } from './useDesk';

/** What was moved and is not published: each from where to where; published together, with why. */
export function ChangesPart({ desk }: { desk: Desk }) {
  const [why, setWhy] = useTextDraft(`board why ${desk.page.branch}`);
  const changes = differencesOf(desk.page, desk.over);
  if (!changes.length)
    return (
      <Notice
        tone="pine"
        title="Nothing moved"
        text="Drag a visit, move it by its keys, or have the rest planned. It stands here until it is published."
      />
    );
  const hard = desk.conflicts.filter((c) => c.hard && desk.over.has(c.id));
  const { publish } = desk;
  return (
    <>
      {changes.map(({ id, serial, customer, from, to }) => (
        <Card key={id}>
          <Tap
            label={`${serial}: look at it`}
            onPress={() => desk.select(id)}
            style={styles.change}
          >
            <Strong>{`${serial} · ${customer}`}</Strong>
            <Quiet>{`Was: ${placingWords(desk.page, from)}`}</Quiet>
            <Strong>{`Now: ${placingWords(desk.page, to)}`}</Strong>
          </Tap>
          <Press
            small
            title="Take this back"
            label={`Take the change of ${serial} back`}
            onPress={() => desk.drop([id])}
          />
        </Card>
      ))}
      {hard.length ? (
        <Notice
          tone="rust"
          testID="hard"
          title="Not to be published yet"
          text={[...new Set(hard.map((c) => c.text))].join(' ')}
        />
      ) : null}
      {publish.trouble ? (
        <Notice tone="rust" title="Not published" text={publish.trouble} testID="not published" />
      ) : null}
      <TextEntry label="Why" value={why} hint="so that others know" onChange={setWhy} />
      <Buttons>
        <Press
          fill="pine"
          small
          title={`Publish ${changes.length}`}
          testID="publish"
          disabled={hard.length > 0 || !why.trim() || desk.older}
          loading={publish.busy}
          onPress={() => void publish.run(why.trim()).then((done) => done && setWhy(''))}
        />
        <Press small title="Drop them" testID="drop changes" onPress={() => desk.drop()} />
      </Buttons>
      {why.trim() ? null : <Quiet>Say why in a few words; then it can be published.</Quiet>}
    </>
  );
}

const styles = StyleSheet.create({ change: { gap: 2 } });
