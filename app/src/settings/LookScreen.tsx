import { Card, Choice, useLook } from '../ui';
import { SettingsFrame } from './SettingsFrame';

/** How the app looks on this device. */
export function LookScreen() {
  const { name, choose } = useLook();
  return (
    <SettingsFrame title="Look" testID="look">
      <Card>
        <Choice
          label="Theme"
          value={name}
          onChange={choose}
          options={[
            { value: 'daylight', title: 'Daylight', text: 'for the sun' },
            { value: 'shed', title: 'Shed', text: 'dark' },
          ]}
        />
      </Card>
    </SettingsFrame>
  );
}
