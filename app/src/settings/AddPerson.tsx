import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { NewPerson } from '@green-tally/core/contracts';
import { api, troubleText, usePeople } from '../store';
import { Card, Choice, Field, Heading, Notice, Press, Quiet } from '../ui';

/** Adds a person to the admin's branch. */
export function AddPerson() {
  const { data: people, again } = usePeople();
  const [trouble, setTrouble] = useState('');
  const { control, handleSubmit, reset, formState } = useForm({
    resolver: zodResolver(NewPerson),
    defaultValues: { name: '', signIn: '', password: '', role: 'technician' as const },
  });
  const submit = handleSubmit(async (entry) => {
    setTrouble('');
    try {
      await api('POST', '/people', entry);
      reset();
      again();
    } catch (error) {
      setTrouble(troubleText(error));
    }
  });
  return (
    <Card testID="add person">
      <Heading>People</Heading>
      {people?.people.map((p) => (
        <Quiet key={p.id}>{`${p.name} · ${p.role} · ${p.branch}`}</Quiet>
      ))}
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
      {trouble ? <Notice tone="rust" title="Not added" text={trouble} /> : null}
      <Press
        title="Add the person"
        onPress={() => void submit()}
        loading={formState.isSubmitting}
        small
      />
    </Card>
  );
}
