import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Dimension, InsightOf, InsightPage } from '@green-tally/core/contracts/insight';
import { Choice, Press, Quiet, Row, SPACE, TextEntry } from '../ui';
import { DIMENSIONS } from './asked';
import { ofWords } from './classWords';

interface MachinesProps {
  readonly of: InsightOf;
  readonly machines: number;
  readonly choices: InsightPage['choices'];
  readonly onChange: (dimension: Dimension, value: string | undefined) => void;
}

/** Which machines are looked at: all, or those of a crop, a model, a customer, a branch. */
export function Machines({ of, machines, choices, onChange }: MachinesProps) {
  const [open, setOpen] = useState(false);
  return (
    <View style={styles.stack} testID="insight machines">
      <Row apart>
        <Quiet live>{ofWords(of, machines)}</Quiet>
        <Press
          small
          title={open ? 'Close' : 'Choose machines'}
          testID="choose machines"
          onPress={() => setOpen(!open)}
        />
      </Row>
      {open
        ? DIMENSIONS.filter(({ value }) => choices[value].length > 1).map(({ value, title }) => (
            <OneOf
              key={value}
              title={title}
              options={choices[value]}
              chosen={of[value]}
              onChange={(to) => onChange(value, to)}
            />
          ))
        : null}
    </View>
  );
}

const ALL = '';
/** More than this are sought by name. */
const AT_ONCE = 9;

interface OneOfProps {
  readonly title: string;
  readonly options: readonly string[];
  readonly chosen: string | undefined;
  readonly onChange: (to: string | undefined) => void;
}

function OneOf({ title, options, chosen, onChange }: OneOfProps) {
  const [find, setFind] = useState('');
  const many = options.length > AT_ONCE;
  const wanted = find.trim().toLowerCase();
  const found = options.filter((o) => o.toLowerCase().includes(wanted));
  const shown = many ? found.slice(0, AT_ONCE) : options;
  const kept = chosen && !shown.includes(chosen) ? [chosen, ...shown] : shown;
  return (
    <>
      {many ? (
        <TextEntry
          label={`Find among ${options.length}: ${title.toLowerCase()}`}
          value={find}
          onChange={setFind}
        />
      ) : null}
      <Choice
        label={title}
        value={chosen ?? ALL}
        onChange={(value) => onChange(value === ALL ? undefined : value)}
        options={[{ value: ALL, title: 'all' }, ...kept.map((o) => ({ value: o, title: o }))]}
      />
    </>
  );
}

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });
