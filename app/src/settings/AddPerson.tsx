import { zodResolver } from '@hookform/resolvers/zod';
import { Controller, useForm } from 'react-hook-form';
import { NewPerson } from '@green-tally/core/contracts';
import { api, useAction } from '../store';
import { Card, Choice, Heading, Notice, Press } from '../ui';
import { Field } from '../ui/form';

/** Adding somebody to the admin's branch. */
export function AddPerson({ onAdded }: { onAdded: () => void }) {
  const { control, handleSubmit, reset } = useForm({
    resolver: zodResolver(NewPerson),
    defaultValues: { name: '', signIn: '', password: '', role: 'technician' as const },
  });
  const add = useAction(async (body: Parameters<typeof api<'POST /people'>>[1]['body']) => {
    await api('POST /people', { body });
    reset();
    onAdded();
  });
  return (
    <Card testID="add person">
      <Heading>Add a person</Heading>
      <Field control={control} name="name" label="Name" />
      <Field control={control} name="signIn" label="Sign-in name" />
      <Field
        control={control}
        name="password"
        label="First password, at least 10 characters"
        secret
        autoComplete="new-password"
      />
      <Controller
        control={control}
        name="role"
        render={({ field }) => (
          <Choice
            label="Role"
            value={field.value}
            onChange={field.onChange}
            options={[
              { value: 'technician', title: 'Technician' },
              { value: 'planner', title: 'Planner' },
              { value: 'admin', title: 'Admin' },
            ]}
          />
        )}
      />
      {add.trouble ? <Notice tone="rust" title="Not added" text={add.trouble} /> : null}
      <Press
        title="Add the person"
        onPress={() => void handleSubmit((entry) => add.run(entry))()}
        loading={add.busy}
        small
      />
    </Card>
  );
}
