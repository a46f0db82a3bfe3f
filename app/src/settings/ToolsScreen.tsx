import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import {
  Day,
  OwnTool,
  QUANTITY_UNITS,
  Quantity,
  ShortText,
  type OwnTool as Tool,
} from '@green-tally/core/contracts';
import { calibrationOf } from '@green-tally/core/tools';
import { printNumber } from '@green-tally/core/units';
import { api, useAction, useToday, useTools } from '../store';
import { Buttons, Card, Choice, Heading, Notice, Press, Quiet, Skeleton, Strong } from '../ui';
import { Field, formNumber } from '../ui/form';
import { SettingsFrame } from './SettingsFrame';

const ToolEntry = z.object({
  name: ShortText,
  quantity: Quantity,
  resolution: formNumber('one division of its scale, above 0').pipe(OwnTool.shape.resolution),
  uncertainty: z.preprocess(
    (typed) => (typeof typed === 'string' && typed.trim() === '' ? undefined : typed),
    formNumber('a number above 0, or nothing').optional(),
  ),
  calibratedOn: z.preprocess(
    (typed) => (typeof typed === 'string' && typed.trim() === '' ? null : typed),
    Day.nullable(),
  ),
  everyMonths: formNumber('whole months, 1 to 60').pipe(
    z.int('whole months, 1 to 60').min(1, 'whole months, 1 to 60').max(60, 'whole months, 1 to 60'),
  ),
});

const EMPTY = {
  name: '',
  quantity: 'length' as Quantity,
  resolution: '' as unknown,
  uncertainty: '' as unknown,
  calibratedOn: '' as unknown,
  everyMonths: '12' as unknown,
};

/** What a person measures with: each with its scale and its calibration. */
export function ToolsScreen() {
  const { tools, again } = useTools();
  const [edited, setEdited] = useState<Tool>();
  return (
    <SettingsFrame title="Your tools" testID="own tools">
      <Quiet>
        A reading taken with one of them carries its ±. Once its calibration is out of date the ±
        counts twice, and says so.
      </Quiet>
      {tools === undefined ? <Skeleton what="your tools" /> : null}
      {tools?.length === 0 ? (
        <Notice
          title="None yet"
          text="Until you add one, readings carry the tool the sheet names."
        />
      ) : null}
      {tools?.map((tool) => (
        <ToolLine key={tool.id} tool={tool} onEdit={() => setEdited(tool)} again={again} />
      ))}
      <ToolForm
        key={edited?.id ?? 'new'}
        tool={edited}
        onDone={() => {
          setEdited(undefined);
          again();
        }}
      />
    </SettingsFrame>
  );
}

interface ToolLineProps {
  readonly tool: Tool;
  readonly onEdit: () => void;
  readonly again: () => void;
}

function ToolLine({ tool, onEdit, again }: ToolLineProps) {
  const today = useToday();
  const { until, outOfDate } = calibrationOf(tool, today);
  const [sure, setSure] = useState(false);
  const drop = useAction(async () => {
    await api('DELETE /tools/{id}', { params: { id: tool.id } });
    again();
  });
  return (
    <Card testID={`tool ${tool.name}`} edge={outOfDate ? 'violet' : 'line'}>
      <Strong>{tool.name}</Strong>
      <Quiet>{`${QUANTITY_WORDS[tool.quantity]}, reads to ${printNumber(tool.resolution, 4)} ${QUANTITY_UNITS[tool.quantity][0]}`}</Quiet>
      <Strong tone={outOfDate ? 'violet' : 'quiet'}>
        {until === null
          ? 'No calibration on record: its ± counts twice'
          : outOfDate
            ? `Calibration out of date since ${until}: its ± counts twice`
            : `Calibrated until ${until}`}
      </Strong>
      <Buttons>
        <Press title="Change" label={`Change ${tool.name}`} onPress={onEdit} small />
        <Press
          title={sure ? 'Tap again to take it off' : 'Take it off'}
          label={`${sure ? 'Tap again to take it off' : 'Take it off'}: ${tool.name}`}
          loading={drop.busy}
          onPress={() => (sure ? void drop.run() : setSure(true))}
          small
        />
      </Buttons>
      {drop.trouble ? <Notice tone="rust" title="Still there" text={drop.trouble} /> : null}
    </Card>
  );
}

const QUANTITY_WORDS: Readonly<Record<Quantity, string>> = {
  length: 'length',
  force: 'force',
  pressure: 'pressure',
  torque: 'torque',
  frequency: 'frequency',
  rotation: 'speed of rotation',
  voltage: 'voltage',
  angle: 'angle',
};

/** A tool as the texts of its form. */
const textsOf = (tool: Tool) => ({
  ...tool,
  resolution: String(tool.resolution) as unknown,
  uncertainty: (tool.uncertainty === undefined ? '' : String(tool.uncertainty)) as unknown,
  calibratedOn: (tool.calibratedOn ?? '') as unknown,
  everyMonths: String(tool.everyMonths) as unknown,
});

interface ToolFormProps {
  readonly tool: Tool | undefined;
  readonly onDone: () => void;
}

function ToolForm({ tool, onDone }: ToolFormProps) {
  const { control, handleSubmit, reset, setError } = useForm({
    resolver: zodResolver(ToolEntry),
    defaultValues: tool ? textsOf(tool) : EMPTY,
  });
  const keep = useAction(
    async ({ uncertainty, ...entry }: z.output<typeof ToolEntry>) => {
      await api('PUT /tools/{id}', {
        params: { id: tool?.id ?? uuidv7() },
        body: { ...entry, ...(uncertainty === undefined ? {} : { uncertainty }) },
      });
      reset(EMPTY);
      onDone();
    },
    ({ fields }) => {
      for (const { field, message } of fields)
        if (field in EMPTY) setError(field as keyof typeof EMPTY, { message });
      return fields.length > 0 && fields.every((f) => f.field in EMPTY);
    },
  );
  return (
    <Card testID="tool form">
      <Heading>{tool ? `Change ${tool.name}` : 'Add a tool'}</Heading>
      <Field control={control} name="name" label="Name, as it is marked" hint="Caliper 7" />
      <Controller
        control={control}
        name="quantity"
        render={({ field }) => (
          <Choice
            label="It measures"
            value={field.value}
            onChange={field.onChange}
            options={Quantity.options.map((q) => ({
              value: q,
              title: `${QUANTITY_WORDS[q]}, ${QUANTITY_UNITS[q][0]}`,
            }))}
          />
        )}
      />
      <Field control={control} name="resolution" label="One division of its scale" hint="0.1" />
      <Field
        control={control}
        name="uncertainty"
        label="Standard uncertainty by its certificate, if there is one"
      />
      <Field
        control={control}
        name="calibratedOn"
        label="Calibrated on, year-month-day; empty: never"
        hint="2025-11-03"
      />
      <Field control={control} name="everyMonths" label="Stands for so many months" />
      {keep.trouble ? <Notice tone="rust" title="Not kept" text={keep.trouble} /> : null}
      <Press
        title={tool ? 'Keep the change' : 'Add the tool'}
        testID="keep tool"
        loading={keep.busy}
        onPress={() => void handleSubmit((entry) => keep.run(entry))()}
        small
      />
    </Card>
  );
}
