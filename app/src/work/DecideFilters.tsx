import { useState } from 'react';
import type { Decision, WorkList, WorkState } from '@green-tally/core/contracts';
import { printNumber } from '@green-tally/core/units';
import { Chip, Row, useWide } from '../ui';

const STATES: readonly { readonly state: WorkState; readonly title: string }[] = [
  { state: 'called', title: 'To decide' },
  { state: 'beside', title: 'Services, rechecks, tasks' },
  { state: 'putOff', title: 'Put off' },
  { state: 'accepted', title: 'In work' },
];

/** What is chosen to be looked at. */
export interface Choosing {
  readonly state: WorkState;
  readonly decision?: Exclude<Decision, 'holds'> | undefined;
  readonly part?: string | undefined;
}

interface FiltersProps {
  readonly all: NonNullable<WorkList['all']>;
  readonly choosing: Choosing;
  readonly onChange: (next: Choosing) => void;
}

/** Where it stands; and, folded on a phone, by which decision and which part. */
export function Filters({ all, choosing, onChange }: FiltersProps) {
  const wide = useWide();
  const [open, setOpen] = useState(false);
  const { state, decision, part } = choosing;
  return (
    <>
      <Row>
        {STATES.map((s) => (
          <Chip
            key={s.state}
            title={`${s.title} ${printNumber(all.states[s.state] ?? 0, 0)}`}
            on={state === s.state}
            testID={`state ${s.state}`}
            onPress={() => onChange({ state: s.state })}
          />
        ))}
      </Row>
      {wide || open || decision || part ? (
        <>
          <Row>
            {decisionsOf(all).map(([d, count]) => (
              <Chip
                key={d}
                title={`${d} ${count}`}
                on={decision === d}
                testID={`decision ${d}`}
                onPress={() =>
                  onChange({
                    ...choosing,
                    decision: decision === d ? undefined : (d as typeof decision),
                  })
                }
              />
            ))}
          </Row>
          {all.parts.length ? (
            <PartChoice
              parts={all.parts}
              part={part}
              onChange={(number) => onChange({ ...choosing, part: number })}
              wide={wide}
            />
          ) : null}
        </>
      ) : (
        <Chip
          title="Choose by decision or part"
          on={false}
          testID="choose by"
          onPress={() => setOpen(true)}
        />
      )}
    </>
  );
}

/** Where all lead to the same decision there is none to choose. */
function decisionsOf({ decisions }: NonNullable<WorkList['all']>): [string, number][] {
  const all = Object.entries(decisions);
  return all.length > 1 ? all : [];
}

interface PartChoiceProps {
  readonly parts: NonNullable<WorkList['all']>['parts'];
  readonly part: string | undefined;
  readonly onChange: (part: string | undefined) => void;
  readonly wide: boolean;
}

const FEW_PARTS = { phone: 3, wide: 8 };

/** Choosing by a part: those that most work needs first. */
function PartChoice({ parts, part, onChange, wide }: PartChoiceProps) {
  const [open, setOpen] = useState(false);
  const few = wide ? FEW_PARTS.wide : FEW_PARTS.phone;
  const shown = open ? parts : parts.filter((p, i) => i < few || p.number === part);
  return (
    <Row>
      {shown.map((p) => (
        <Chip
          key={p.number}
          title={`${p.quantity} × ${p.name}`}
          on={part === p.number}
          testID={`part ${p.number}`}
          onPress={() => onChange(part === p.number ? undefined : p.number)}
        />
      ))}
      {parts.length > few ? (
        <Chip
          title={open ? 'Fewer parts' : `All ${parts.length} parts`}
          on={open}
          onPress={() => setOpen(!open)}
        />
      ) : null}
    </Row>
  );
}
