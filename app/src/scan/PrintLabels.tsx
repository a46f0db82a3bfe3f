import { useState } from 'react';
import { LABEL_SHEETS, LABEL_SIZES, type LabelSize } from '@green-tally/core/labels';
import { Card, Choice, Heading, Press, Quiet } from '../ui';

const KINDS = [
  { value: 'machine', title: 'Machines' },
  { value: 'header', title: 'Headers' },
  { value: 'walk', title: 'Walks' },
  { value: 'card', title: 'Operator’s cards' },
] as const;

/** Labels of all machines of the branch, as a sheet to print. */
export function PrintLabels() {
  const [kind, setKind] = useState<(typeof KINDS)[number]['value']>('machine');
  const [size, setSize] = useState<LabelSize>('a4-24');
  return (
    <Card testID="print labels">
      <Heading>Print labels</Heading>
      <Choice label="Labels of" value={kind} onChange={setKind} options={[...KINDS]} />
      <Choice
        label="Sheet"
        value={size}
        onChange={setSize}
        options={LABEL_SIZES.map((value) => ({ value, title: LABEL_SHEETS[value].title }))}
      />
      <Press
        title="Labels as PDF"
        testID="labels pdf"
        onPress={() =>
          void globalThis.open?.(`/api/labels.pdf?kind=${kind}&size=${size}`, '_blank')
        }
      />
      <Quiet>
        Print at 100 %, without fitting to the page. A card has a label once its link was made on
        the machine.
      </Quiet>
    </Card>
  );
}
