import { useState } from 'react';
import { View } from 'react-native';
import { useTextDraft } from '../store';
import { Card, Heading, Notice, Press, Quiet, Row, Strong, TextEntry } from '../ui';
import { dayWords } from '../yard/words';
import { Changes } from './Changes';
import type { Editing } from './useEditing';

/**
 * The draft of a sheet: who saved it, what differs, and the way to publish it as the next revision.
 */
export function DraftCard({ editing, model }: { editing: Editing; model: string }) {
  const { draft, changes, trouble, busy, may } = editing;
  const [remark, setRemark] = useTextDraft(`spec-remark|${model}`);
  const [wanted, setWanted] = useState('');
  const [sure, setSure] = useState(false);
  const publish = async () => {
    if (remark.trim().length < 3) return setWanted('Say in a few words what was changed, and why.');
    setWanted('');
    if (await editing.publish(remark.trim())) setRemark('');
  };
  const drop = async () => {
    if (!sure) return setSure(true);
    setSure(false);
    await editing.drop();
  };
  if (!may) return null;
  return (
    <>
      {trouble ? (
        <Notice
          tone="rust"
          testID="draft trouble"
          title={trouble.overtaken ? 'Not kept: somebody was faster' : 'Not kept'}
          text={trouble.text}
          {...(trouble.overtaken
            ? { action: { title: 'Show what is there now', onPress: editing.reload } }
            : {})}
        />
      ) : null}
      {draft && changes ? (
        <Card edge="violet" testID="draft">
          <Heading>Draft, not published</Heading>
          <Quiet>{`last saved by ${draft.by}, ${dayWords(draft.updatedAt.slice(0, 10))} ${draft.updatedAt.slice(11, 16)} UTC, on revision ${draft.basedOn}`}</Quiet>
          <Changes changes={changes} />
          <TextEntry
            label="Remark: what was changed, and why"
            value={remark}
            onChange={(text) => {
              setRemark(text);
              setWanted('');
            }}
            hint="Belt limit up: two slipped last year"
          />
          {wanted ? (
            <View role="alert">
              <Strong tone="rust">{wanted}</Strong>
            </View>
          ) : null}
          <Row>
            <Press
              style={{ flex: 1 }}
              fill="pine"
              title={`Publish revision ${draft.basedOn + 1}`}
              testID="publish"
              loading={busy}
              onPress={() => void publish()}
              small
            />
            <Press
              fill={sure ? 'rust' : undefined}
              title={sure ? 'Tap again to drop' : 'Drop draft'}
              onPress={() => void drop()}
              small
            />
          </Row>
        </Card>
      ) : null}
    </>
  );
}
