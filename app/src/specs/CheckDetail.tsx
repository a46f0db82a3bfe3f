import { useState } from 'react';
import type { Check, SpecDetail } from '@green-tally/core/contracts';
import { later, Press, Quiet, Row, SPACE } from '../ui';
import { useTypedCheck } from './form/useTypedCheck';
import { CheckPage } from './CheckPage';
import { canMove, withCheck, withCopy, withMoved, without } from './sheetChanges';
import type { Editing } from './useEditing';

const CheckForm = later('the form', async () => (await import('../forms')).CheckForm);

interface CheckDetailProps {
  readonly detail: SpecDetail;
  readonly editing: Editing;
  readonly check: Check;
  readonly onOpen: (id: string | undefined) => void;
}

/** One check to look at; a planner may change it, copy it, move it or take it out. */
export function CheckDetail({ detail, editing, check, onOpen }: CheckDetailProps) {
  const { sheet, keep, may } = editing;
  const [typed] = useTypedCheck(sheet.model, check.id);
  const [changing, setChanging] = useState(Object.keys(typed).length > 0);
  const base = editing.draft ? detail.sheet : detail.previous;
  if (may && changing)
    return (
      <CheckForm
        sheet={sheet}
        check={check}
        busy={editing.busy}
        onKeep={(changed) => keep(withCheck(sheet, changed))}
        onDone={() => setChanging(false)}
      />
    );
  return (
    <>
      {may ? (
        <CheckActions
          editing={editing}
          check={check}
          onOpen={onOpen}
          onChange={() => setChanging(true)}
        />
      ) : null}
      <CheckPage
        sheet={sheet}
        check={check}
        before={base?.checks.find((c) => c.id === check.id)}
        beforeRevision={base?.revision}
      />
      {may ? null : (
        <Quiet>
          {detail.sheet.revision < detail.latest
            ? 'An older revision is kept as it was.'
            : 'Planners change sheets.'}
        </Quiet>
      )}
    </>
  );
}

interface CheckActionsProps extends Pick<CheckDetailProps, 'editing' | 'check' | 'onOpen'> {
  readonly onChange: () => void;
}

function CheckActions({ editing, check, onOpen, onChange }: CheckActionsProps) {
  const { sheet, keep, busy } = editing;
  const [sure, setSure] = useState(false);
  const copy = async () => {
    const copied = withCopy(sheet, check);
    if (await keep(copied.sheet)) onOpen(copied.id);
  };
  const takeOut = async () => {
    if (!sure) return setSure(true);
    if (await keep(without(sheet, check))) onOpen(undefined);
  };
  const move = (title: string, label: string, step: -1 | 1) => (
    <Press
      title={title}
      label={label}
      disabled={busy || !canMove(sheet, check, step)}
      onPress={() => void keep(withMoved(sheet, check, step))}
      small
    />
  );
  return (
    <Row gap={SPACE.s}>
      <Press fill="pine" title="Change it" testID="change check" onPress={onChange} small />
      <Press title="Copy" testID="copy check" disabled={busy} onPress={() => void copy()} small />
      {move('Up', 'Move it up in its station', -1)}
      {move('Down', 'Move it down in its station', 1)}
      <Press
        fill={sure ? 'rust' : undefined}
        title={sure ? 'Tap again: take it out' : 'Take out'}
        disabled={busy}
        onPress={() => void takeOut()}
        small
      />
    </Row>
  );
}
