import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { z } from 'zod';
import { BranchCosts, type CostsPage } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { printAmount } from '@green-tally/core/units';
import { api, troubleText, useAction, useCosts, useSession } from '../store';
import { Body, Card, Heading, Notice, Press, Quiet, SPACE, useWide, Waiting } from '../ui';
import { Field, formNumber } from '../ui/form';
import { SettingsFrame } from './SettingsFrame';

const amount = formNumber('an amount in figures, 0 or more', 'zeroOrMore');
/** An amount that may be left out. */
const maybe = z.preprocess(
  (typed) => (typeof typed === 'string' && typed.trim() === '' ? null : typed),
  amount.nullable(),
);
const CostsForm = z.object({
  currency: BranchCosts.shape.currency,
  labourHour: amount,
  stopHour: amount,
  customers: z.array(z.object({ customer: z.string(), stopHour: maybe })),
});
const PricesForm = z.object({ parts: z.array(z.object({ number: z.string(), price: maybe })) });

/** What stopping and working cost at the branch, and what its parts cost. */
export function CostsScreen() {
  const { data: page, error, isLoading, again } = useCosts();
  const { data: session } = useSession();
  if (!page || !session?.person)
    return (
      <Waiting
        what="the costs"
        trouble={isLoading ? undefined : troubleText(error)}
        again={again}
      />
    );
  const may = mayDo(session.person.role, 'keepCosts');
  return (
    <SettingsFrame title="Costs" testID="costs">
      <Body>
        {`What the sums of "leave it or renew it" reckon with at ${page.branch}. An hour of standing still is what a combine would have earned or saved in that hour of harvest: hectares an hour times what a hectare is worth while the weather holds, with the driver and the waiting carts. Half of a day's loss over its hours is a fair start.`}
      </Body>
      {may ? (
        <>
          <BranchForm page={page} again={again} />
          <Prices page={page} again={again} />
        </>
      ) : (
        <Set page={page} />
      )}
    </SettingsFrame>
  );
}

interface CostsProps {
  readonly page: CostsPage;
  readonly again: () => void;
}

/** What is set, for one who may only look. */
function Set({ page: { costs } }: { readonly page: CostsPage }) {
  return (
    <Card testID="costs set">
      {costs ? (
        <>
          <Body>{`An hour standing still: ${printAmount(costs.stopHour)} ${costs.currency}`}</Body>
          <Body>{`An hour of work: ${printAmount(costs.labourHour)} ${costs.currency}`}</Body>
        </>
      ) : (
        <Quiet>Nobody has said yet. Until then a chance of half decides.</Quiet>
      )}
    </Card>
  );
}

function BranchForm({ page, again }: CostsProps) {
  const { costs, customers, branch } = page;
  const { control, handleSubmit } = useForm({
    resolver: zodResolver(CostsForm),
    defaultValues: {
      currency: costs?.currency ?? '',
      labourHour: (costs?.labourHour ?? '') as unknown,
      stopHour: (costs?.stopHour ?? '') as unknown,
      customers: customers.map((customer) => ({
        customer,
        stopHour: (costs?.customers.find((c) => c.customer === customer)?.stopHour ??
          '') as unknown,
      })),
    },
  });
  // the one these entries were filled from: who kept others meanwhile is not overwritten
  const [version, setVersion] = useState(costs?.version ?? 0);
  const [kept, setKept] = useState(false);
  const keep = useAction(async (entry: z.infer<typeof CostsForm>) => {
    setKept(false);
    // customers whose machines have gone keep what was said of them
    const gone = costs?.customers.filter((c) => !customers.includes(c.customer)) ?? [];
    const answer = await api('PUT /costs', {
      body: {
        ...entry,
        branch,
        version,
        customers: [
          ...gone,
          ...entry.customers.flatMap(({ customer, stopHour }) =>
            stopHour === null ? [] : [{ customer, stopHour }],
          ),
        ],
      },
    });
    setVersion(answer.version);
    setKept(true);
    again();
  });
  const { fields } = useFieldArray({ control, name: 'customers' });
  const wide = useWide();
  return (
    <Card testID="branch costs">
      <Heading>{branch}</Heading>
      <Field control={control} name="currency" label="Amounts are in" hint="crowns" />
      <Field
        control={control}
        name="stopHour"
        label="An hour of a combine standing still in harvest"
        keyboard="numeric"
      />
      <Field control={control} name="labourHour" label="An hour of work" keyboard="numeric" />
      <Heading>An hour of a customer of its own</Heading>
      <Quiet>Standing still in harvest. Empty: the branch&apos;s hour counts.</Quiet>
      <View style={wide ? styles.grid : undefined}>
        {fields.map(({ id, customer }, i) => (
          <View key={id} style={wide ? styles.cell : undefined}>
            <Field
              control={control}
              name={`customers.${i}.stopHour`}
              label={customer}
              keyboard="numeric"
            />
          </View>
        ))}
      </View>
      {keep.trouble ? <Notice tone="rust" title="Not kept" text={keep.trouble} /> : null}
      {kept ? (
        <Notice tone="pine" title="Kept" text="Verdicts reckon with it from now on." />
      ) : null}
      <Press
        title="Keep the costs"
        fill="pine"
        loading={keep.busy}
        onPress={() => void handleSubmit((entry) => keep.run(entry))()}
        small
      />
    </Card>
  );
}

function Prices({ page, again }: CostsProps) {
  const { parts } = page;
  const wide = useWide();
  const [kept, setKept] = useState(false);
  const { control, handleSubmit } = useForm({
    resolver: zodResolver(PricesForm),
    defaultValues: {
      parts: parts.map(({ number, price }) => ({ number, price: (price ?? '') as unknown })),
    },
  });
  const keep = useAction(async ({ parts: typed }: z.infer<typeof PricesForm>) => {
    setKept(false);
    const changed = typed.filter(({ price }, i) => price !== parts[i]?.price);
    if (changed.length) await api('PUT /prices', { body: { prices: changed } });
    setKept(true);
    again();
  });
  const priced = parts.filter((p) => p.price !== null).length;
  return (
    <Card testID="prices">
      <Heading>{`Prices of parts: ${priced} of ${parts.length}`}</Heading>
      <Quiet>
        A part without a price is not taken to cost nothing: its check falls back on the shop rule.
      </Quiet>
      <View style={wide ? styles.grid : undefined}>
        {parts.map(({ number, name }, i) => (
          <View key={number} style={wide ? styles.cell : undefined}>
            <Field
              control={control}
              name={`parts.${i}.price`}
              label={`${number} ${name}`}
              hint="no price"
              keyboard="numeric"
            />
          </View>
        ))}
      </View>
      {keep.trouble ? <Notice tone="rust" title="Not kept" text={keep.trouble} /> : null}
      {kept ? <Notice tone="pine" title="Prices kept" /> : null}
      <Press
        title="Keep the prices"
        fill="pine"
        loading={keep.busy}
        onPress={() => void handleSubmit((entry) => keep.run(entry))()}
        small
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  cell: { flexBasis: 220, flexGrow: 1 },
});
