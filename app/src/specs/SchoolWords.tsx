import { View } from 'react-native';
import type { SpecSheet } from '@green-tally/core/contracts';
import { Body, Quiet } from '../ui';

type School = SpecSheet['schools'][number];

/** One subject: the way in force, why, and the others. */
export function SchoolWords({ school }: { readonly school: School }) {
  const { subject, options, chosen } = school;
  const here = options.find((o) => o.id === chosen);
  const others = options.filter((o) => o.id !== chosen).map((o) => o.name.toLowerCase());
  return (
    <View testID={`school ${school.id}`}>
      <Body>{`${subject}: ${here?.name.toLowerCase() ?? chosen}.`}</Body>
      <Quiet>{`${here?.why ?? ''} Others: ${others.join('; ')}.`}</Quiet>
    </View>
  );
}
