import { Body, Card } from '../ui';
import { SettingsFrame } from './SettingsFrame';

/** What goes before anything the app says. */
export function SafetyScreen() {
  return (
    <SettingsFrame title="Safety" testID="safety">
      <Card>
        <Body>
          Green Tally helps to measure, judge and plan. The maker's manual, the site's lock-out
          rules, licensed practice and local law go before anything it says.
        </Body>
        <Body>
          Before any check: engine stopped, key out and on you, isolator off, all motion run down.
          Nobody goes under a feeder house or header whose stops are not set.
        </Body>
      </Card>
    </SettingsFrame>
  );
}
