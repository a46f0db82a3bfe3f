import type { MeasuredCheck } from '@green-tally/core/contracts';
import { readsTo } from '@green-tally/core/units';
import { useAction, useSession, useTextDraft } from '../../store';
import { gaugeTool, leaveGauge, pairGauge, usePairedGauge } from '../../store/gauge';
import { Card, Choice, Go, Notice, Press, Quiet, Row, Strong, TextEntry } from '../../ui';
import { GAUGE, type ToolAtHand } from './useToolAtHand';

interface ToolCardProps {
  readonly check: MeasuredCheck;
  readonly hand: ToolAtHand;
}

/** Stands for the tool the sheet asks for; no own tool is called so. */
const SHEETS = '\u0000sheet';

/** What the check is measured with: the sheet's tool, one of one's own, or the wireless gauge. */
export function ToolCard({ check, hand }: ToolCardProps) {
  const { data: session } = useSession();
  const paired = usePairedGauge();
  const sends = paired && gaugeTool(paired, check.quantity);
  const { tool, chosen, choose, own, mind, open, toggle } = hand;
  const name = `${tool.name}, ${readsTo(tool.resolution, check)}`;
  if (!open)
    return (
      <>
        <Row apart>
          <Quiet testID="tool at hand">{`With ${name}${gaugeWords(hand)}`}</Quiet>
          <Press title="Other tool" label={`Other tool than ${tool.name}`} onPress={toggle} small />
        </Row>
        {mind ? <Strong tone="violet">{mind}</Strong> : null}
      </>
    );
  return (
    <Card edge="blue" testID="tools">
      <Choice
        label="Measured with"
        value={chosen === '' || (chosen === GAUGE && !sends) ? SHEETS : chosen}
        onChange={(id: string) => choose(id === SHEETS ? '' : id)}
        tall
        options={[
          {
            value: SHEETS,
            title: check.tool.name,
            text: `as the sheet asks, ${readsTo(check.tool.resolution, check)}`,
          },
          ...own.map((t) => ({
            value: t.id,
            title: t.name,
            text: `your own, ${readsTo(t.resolution, check)}`,
          })),
          ...(sends
            ? [
                {
                  value: GAUGE,
                  title: sends.name,
                  text: `wireless, ${readsTo(sends.resolution, check)}: press its button`,
                },
              ]
            : []),
        ]}
      />
      {mind ? <Notice title="Mind" text={mind} /> : null}
      {session?.gauge ? <Pairing url={session.gauge} /> : null}
      <Row>
        <Press title="Done" testID="tool done" onPress={toggle} small />
        <Go to="/settings/tools" label="Your tools and their calibration">
          <Strong tone="pine">Your tools ›</Strong>
        </Go>
      </Row>
    </Card>
  );
}

const gaugeWords = ({ gauge }: ToolAtHand): string =>
  gauge === 'none'
    ? ''
    : gauge === 'ready'
      ? ': press its button'
      : ': not heard, switch it on and stay close';

/** Pairing with the gauge near by, by the code on its display. */
function Pairing({ url }: { readonly url: string }) {
  const paired = usePairedGauge();
  const [code, setCode] = useTextDraft('gauge-code');
  const pair = useAction(async () => {
    await pairGauge(url, code.trim());
    setCode('');
  });
  if (paired)
    return (
      <Row apart>
        <Quiet>{`Paired with ${paired.name}`}</Quiet>
        <Press title="Part from it" onPress={leaveGauge} small />
      </Row>
    );
  return (
    <>
      <TextEntry
        label="Code on the wireless gauge"
        value={code}
        onChange={setCode}
        hint="four digits on its display"
        numeric
        onSubmit={() => void pair.run()}
      />
      <Press
        title="Pair with it"
        testID="pair gauge"
        disabled={!code.trim()}
        loading={pair.busy}
        onPress={() => void pair.run()}
        small
      />
      {pair.trouble ? <Notice tone="rust" title="Not paired" text={pair.trouble} /> : null}
    </>
  );
}
