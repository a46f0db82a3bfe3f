import { StyleSheet, View } from 'react-native';
import type { MissingStep, YardAsked } from '@green-tally/core/contracts';
import type { WholeYard } from '../store';
import { Chip, Choice, Press, Row, SPACE } from '../ui';

/** What the Yard is narrowed down to. */
export type YardFilter = Pick<Partial<YardAsked>, 'crop' | 'late' | 'parts' | 'walk' | 'lacks'>;

interface YardFiltersProps {
  readonly yard: WholeYard;
  readonly filter: YardFilter;
  readonly onChange: (filter: YardFilter) => void;
}

const ANY = 'any';

/** What a machine may not be ready for, in a few words. */
const LACKS: readonly { readonly value: MissingStep['id']; readonly title: string }[] = [
  { value: 'startWalk', title: 'no walk' },
  { value: 'resumeWalk', title: 'walk not finished' },
  { value: 'readRest', title: 'checks unread' },
  { value: 'remeasure', title: 'to measure again' },
  { value: 'acceptWork', title: 'work to accept' },
  { value: 'planVisit', title: 'no visit' },
  { value: 'doWork', title: 'work to do' },
  { value: 'tasks', title: 'tasks to tick' },
  { value: 'closeUp', title: 'not closed up' },
];

/** Narrows the Yard down: late, parts awaited, crop, and why a machine is not ready. */
export function YardFilters({ yard, filter, onChange }: YardFiltersProps) {
  const set = (part: YardFilter) => {
    const next = Object.entries({ ...filter, ...part }).filter(([, v]) => v !== undefined);
    onChange(Object.fromEntries(next) as YardFilter);
  };
  const { crops, late } = yard.all;
  return (
    <View style={styles.stack} testID="yard filters">
      <Row gap={SPACE.s}>
        <Chip
          title={`Late ${late}`}
          on={filter.late === 'yes'}
          testID="filter late"
          onPress={() => set({ late: filter.late ? undefined : 'yes' })}
        />
        <Chip
          title="Parts awaited"
          on={filter.parts === 'yes'}
          testID="filter parts"
          onPress={() => set({ parts: filter.parts ? undefined : 'yes' })}
        />
        <Chip
          title="No walk"
          on={filter.walk === 'none'}
          testID="filter no walk"
          onPress={() => set({ walk: filter.walk ? undefined : 'none' })}
        />
      </Row>
      {crops.length > 1 ? (
        <Choice
          label="Crop"
          value={filter.crop ?? ANY}
          onChange={(crop) => set({ crop: crop === ANY ? undefined : crop })}
          options={[
            { value: ANY, title: 'any' },
            ...crops.map((c) => ({ value: c.crop, title: c.crop })),
          ]}
        />
      ) : null}
      <Choice
        label="Not ready because"
        value={filter.lacks ?? ANY}
        onChange={(lacks) => set({ lacks: lacks === ANY ? undefined : lacks })}
        options={[{ value: ANY, title: 'whatever' }, ...LACKS]}
      />
      {Object.keys(filter).length ? (
        <Press small title="Show all again" testID="filter none" onPress={() => onChange({})} />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });
