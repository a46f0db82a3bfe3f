import { useEffect, useRef, useState } from 'react';
import type { MeasuredCheck, OwnTool, ReadingTool } from '@green-tally/core/contracts';
import { calibrationOf, toolAtHand } from '@green-tally/core/tools';
import { useTextDraft, useToday, useTools } from '../../store';
import { usePhotoTool } from '../../store/photoTool';
import { gaugeTool, listenToGauge, usePairedGauge, type Sent } from '../../store/gauge';

/** With what a check is measured, and with what it may be. */
export interface ToolAtHand {
  readonly tool: ReadingTool;
  /** empty: the sheet's; GAUGE; or an own tool's id */
  readonly chosen: string;
  readonly choose: (id: string) => void;
  /** own tools that measure this */
  readonly own: readonly OwnTool[];
  /** the wireless gauge, where the check is measured with it */
  readonly gauge: 'none' | 'waiting' | 'ready';
  /** what is to be minded of it, in words; empty when nothing is */
  readonly mind: string;
  /** it is being chosen */
  readonly open: boolean;
  readonly toggle: () => void;
}

export const GAUGE = 'gauge';

/**
 * The tool a check is measured with: the sheet's unless the person has taken another in hand, which
 * stays so for all checks that ask for the same one.
 * @param typed what stands in the pad: where it came from a photo, that photo is the tool
 * @param onSent hears what the wireless gauge sends while it is the one in hand, in the core's unit
 */
export function useToolAtHand(
  check: MeasuredCheck,
  onSent: (sent: Sent) => void,
  typed: { readonly draftKey: string; readonly text: string },
): ToolAtHand {
  const [chosen, choose] = useTextDraft(`tool|${check.quantity}|${check.tool.name}`);
  const { tools } = useTools();
  const today = useToday();
  const paired = usePairedGauge();
  const own = (tools ?? []).filter((t) => t.quantity === check.quantity);
  const sends = paired && gaugeTool(paired, check.quantity);
  const [ready, setReady] = useState(false);
  const [open, setOpen] = useState(false);
  const hear = useRef(onSent);
  useEffect(() => {
    hear.current = onSent;
  });
  const listens = chosen === GAUGE && sends !== undefined ? paired : undefined;
  useEffect(() => {
    if (!listens) return;
    return listenToGauge(listens, { sent: (sent) => hear.current(sent), ready: setReady });
  }, [listens]);
  const mine = own.find((t) => t.id === chosen);
  const gauge = listens ? (ready ? 'ready' : 'waiting') : 'none';
  const { toolOf } = usePhotoTool(typed.draftKey);
  const tool =
    toolOf(typed.text) ??
    (mine && toolAtHand(mine, today)) ??
    (chosen === GAUGE && sends ? sends : check.tool);
  const mind = mine ? mindOf(mine, today) : '';
  const toggle = () => setOpen(!open);
  return { tool, chosen, choose, own, gauge, mind, open, toggle };
}

/** Why a tool is trusted less than it might be. */
export function mindOf(tool: OwnTool, today: string): string {
  const { until, outOfDate } = calibrationOf(tool, today);
  if (!outOfDate) return '';
  return until
    ? `Its calibration stood until ${until}: its ± counts twice until it is calibrated.`
    : 'No calibration of it is on record: its ± counts twice until it is calibrated.';
}
