import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { POSITION_FACTS, type BoardSetting, type CrewPage } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { factWords } from '@green-tally/core/walk';
import { api, troubleText, useAction, useSession } from '../store';
import { useCrew } from '../board/hooks';
import {
  Body,
  Card,
  Chip,
  Heading,
  Notice,
  Press,
  Quiet,
  Row,
  SPACE,
  Strong,
  TextEntry,
  Waiting,
} from '../ui';
import { SettingsFrame } from '../settings/SettingsFrame';
import { Farms } from './Farms';
import { Feeds } from './Feeds';
import { HarvestMoves } from './HarvestMoves';
import { Technicians } from './Technicians';
import { figureIn, holidaysIn, holidaysOut, skillsIn, skillsOut, wordsIn } from './lines';

/** What a branch plans by: who can do what and when, bays, ways, holidays, where farms lie. */
export function CrewScreen() {
  const { data: page, error, isLoading, again } = useCrew();
  const { data: session } = useSession();
  if (!page || !session?.person)
    return (
      <Waiting
        what="the hours"
        trouble={isLoading ? undefined : troubleText(error)}
        again={again}
      />
    );
  const may = mayDo(session.person.role, 'planVisits');
  return (
    <SettingsFrame title="Hours, skills, bays, map" testID="crew">
      <Body>{`What the board of ${page.setting.branch} reckons with.`}</Body>
      <Technicians page={page} may={may} again={again} />
      {may ? (
        <>
          <SettingForm key={page.setting.version} page={page} again={again} />
          <Farms page={page} again={again} />
          <HarvestMoves />
        </>
      ) : null}
      <Feeds people={page.technicians} />
    </SettingsFrame>
  );
}

/** A setting as it is typed. */
const typedOf = (s: BoardSetting) => ({
  bays: String(s.bays),
  east: s.home ? String(s.home.x) : '',
  north: s.home ? String(s.home.y) : '',
  km: String(s.km),
  overTime: String(s.overTime),
  change: String(s.change),
  earlier: String(s.ripe.earlier),
  later: String(s.ripe.later),
  holidays: holidaysOut(s.holidays),
  skills: skillsOut(s.skills),
  twoHands: s.twoHands.join(', '),
  notAtFarm: [...s.notAtFarm],
});

function settingIn(typed: ReturnType<typeof typedOf>, { branch, version }: BoardSetting) {
  const amount = { least: 0 };
  const whole = { least: 0, whole: true };
  const somewhere = typed.east.trim() || typed.north.trim();
  return {
    branch,
    version,
    bays: figureIn(typed.bays, 'Bays', whole),
    home: somewhere
      ? { x: figureIn(typed.east, 'Branch, km east'), y: figureIn(typed.north, 'Branch, km north') }
      : null,
    km: figureIn(typed.km, 'A km of driving', amount),
    overTime: figureIn(typed.overTime, 'Half a day over time', amount),
    change: figureIn(typed.change, 'That a published visit stays', amount),
    ripe: {
      earlier: figureIn(typed.earlier, 'Days earlier', whole),
      later: figureIn(typed.later, 'Days later', whole),
    },
    holidays: holidaysIn(typed.holidays),
    skills: skillsIn(typed.skills),
    twoHands: wordsIn(typed.twoHands),
    notAtFarm: typed.notAtFarm,
  };
}

function SettingForm({ page, again }: { page: CrewPage; again: () => void }) {
  const [typed, setTyped] = useState(() => typedOf(page.setting));
  const keep = useAction(async () => {
    await api('PUT /crew/setting', { body: settingIn(typed, page.setting) });
    again();
  });
  const entry = (field: Exclude<keyof typeof typed, 'notAtFarm'>, label: string, hint = '') => (
    <View style={styles.entry}>
      <TextEntry
        label={label}
        hint={hint}
        value={typed[field]}
        onChange={(text) => setTyped({ ...typed, [field]: text })}
      />
    </View>
  );
  const lines = (field: 'holidays' | 'skills', label: string, hint: string) => (
    <TextEntry
      label={label}
      hint={hint}
      lines={3}
      value={typed[field]}
      onChange={(text) => setTyped({ ...typed, [field]: text })}
    />
  );
  const toggle = (stand: string) =>
    setTyped({
      ...typed,
      notAtFarm: typed.notAtFarm.includes(stand)
        ? typed.notAtFarm.filter((s) => s !== stand)
        : [...typed.notAtFarm, stand],
    });
  return (
    <Card testID="board setting">
      <Heading>The branch</Heading>
      <Row>
        {entry('bays', 'Bays')}
        {entry('east', 'Branch, km east')}
        {entry('north', 'Branch, km north')}
      </Row>
      <Row>
        {entry('km', 'A km of driving costs')}
        {entry('overTime', 'Half a day over time costs')}
        {entry('change', 'That a published visit stays is worth')}
      </Row>
      <Row>
        {entry('earlier', 'Harvest may come earlier by, days')}
        {entry('later', 'or later by, days')}
      </Row>
      {lines('holidays', 'Holidays, one a line', '2026-06-24 Midsummer')}
      {lines(
        'skills',
        'Skills, one a line: name, then words of the components that want it',
        'hydraulics: cylinder, pump',
      )}
      {entry('twoHands', 'Words of components that take two people', 'concave, feeder drum')}
      <Strong>How a machine cannot be stood at a farm</Strong>
      <Quiet>Work that needs it comes into a bay.</Quiet>
      <Row gap={SPACE.s}>
        {STANDS.map((stand) => (
          <Chip
            key={stand}
            title={standTitle(stand)}
            on={typed.notAtFarm.includes(stand)}
            onPress={() => toggle(stand)}
          />
        ))}
      </Row>
      {keep.trouble ? <Notice tone="rust" title="Not kept" text={keep.trouble} /> : null}
      <Press
        fill="pine"
        small
        title="Keep this"
        testID="keep setting"
        loading={keep.busy}
        onPress={() => void keep.run()}
      />
    </Card>
  );
}

/** Ways a machine is stood that a farm may lack the ground or the tools for. */
const FACTS = ['feeder', 'header', 'drive', 'rotor', 'run'] as const;
const STANDS = FACTS.flatMap((fact) => POSITION_FACTS[fact].map((how) => `${fact}:${how}`));
const standTitle = (stand: string): string => {
  const [fact, how = ''] = stand.split(':');
  return factWords(fact as (typeof FACTS)[number], how);
};

const styles = StyleSheet.create({ entry: { flexGrow: 1, minWidth: 160 } });
