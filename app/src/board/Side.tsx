import { useEffect, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Notice, Quiet, RADIUS, SPACE, STROKE, Strong, Tap, TARGET, usePalette } from '../ui';
import { ChangesPart } from './ChangesPart';
import { JobPart } from './JobPart';
import { PlansPart } from './PlansPart';
import { SearchPart } from './SearchPart';
import { Waiting } from './WaitingPart';
import { WhatIfPart } from './WhatIfPart';
import type { Desk } from './useDesk';

const PARTS = ['waiting', 'changes', 'search', 'whatIf', 'plans'] as const;
type Part = (typeof PARTS)[number];

/** What stands beside the wall: the visit that is chosen, or one of five parts. */
export function Side({ desk }: { desk: Desk }) {
  const [part, setPart] = useState<Part>('waiting');
  const { page, over, selected } = desk;
  const scrolls = useRef<ScrollView>(null);
  // what comes of a question stands above it
  useEffect(() => scrolls.current?.scrollTo({ y: 0, animated: false }), [desk.search, part]);
  const unplanned = page.jobs.filter(
    (j) => !j.finishedAt && !(over.get(j.id) ?? j.published),
  ).length;
  const titles: Readonly<Record<Part, string>> = {
    waiting: `Not planned ${unplanned}`,
    changes: `Changes ${over.size}`,
    search: 'Plan the rest',
    whatIf: 'What if',
    plans: 'Plans',
  };
  return (
    <View style={styles.side}>
      <View role="tablist" aria-label="Beside the board" style={styles.tabs}>
        {PARTS.map((p) => (
          <Tab
            key={p}
            title={titles[p]}
            testID={`part ${p}`}
            on={part === p && !selected}
            onPress={() => {
              desk.select(undefined);
              setPart(p);
            }}
          />
        ))}
      </View>
      {desk.older ? <Older desk={desk} /> : null}
      <ScrollView ref={scrolls} style={styles.scrolls} contentContainerStyle={styles.content}>
        {selected ? <JobPart key={selected.id} desk={desk} job={selected} /> : null}
        {!selected && part === 'waiting' ? <Waiting desk={desk} /> : null}
        {!selected && part === 'changes' ? <ChangesPart desk={desk} /> : null}
        {!selected && part === 'search' ? <SearchPart desk={desk} /> : null}
        {!selected && part === 'whatIf' ? <WhatIfPart desk={desk} /> : null}
        {!selected && part === 'plans' ? <PlansPart desk={desk} /> : null}
      </ScrollView>
      {desk.may ? null : <Quiet>A planner changes the board; you see it as it stands.</Quiet>}
    </View>
  );
}

interface TabProps {
  readonly title: string;
  readonly on: boolean;
  readonly testID: string;
  readonly onPress: () => void;
}

function Tab({ title, on, testID, onPress }: TabProps) {
  const palette = usePalette();
  return (
    <Tap
      role="tab"
      selected={on}
      label={title}
      testID={testID}
      onPress={onPress}
      style={[
        styles.tab,
        {
          borderColor: on ? palette.pine : palette.line,
          backgroundColor: on ? palette.pineTint : palette.card,
        },
      ]}
    >
      <Strong>{title}</Strong>
    </Tap>
  );
}

/** Another planner was faster: what was moved here is kept, and is looked at again. */
function Older({ desk }: { desk: Desk }) {
  const { plan } = desk.page;
  return (
    <Notice
      tone="violet"
      testID="older plan"
      title="Another plan is published"
      text={`${plan ? `${plan.by}: ${plan.why}. ` : ''}The board shows it now, with your ${desk.over.size} changes on it. Look whether they still fit.`}
      action={{ title: 'They go on this plan', onPress: desk.rebase }}
    />
  );
}

const styles = StyleSheet.create({
  side: { flex: 1, minHeight: 0, gap: SPACE.s },
  tabs: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xs },
  tab: {
    minHeight: TARGET.desk,
    paddingHorizontal: SPACE.s,
    borderWidth: STROKE.thin,
    borderRadius: RADIUS.s,
    justifyContent: 'center',
    flexGrow: 1,
  },
  scrolls: { flex: 1 },
  content: { gap: SPACE.m, paddingBottom: SPACE.l },
});
