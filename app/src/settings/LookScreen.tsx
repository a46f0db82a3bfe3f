import { Card, Choice, useLook } from '../ui';
import { useHand } from '../ui/hand';
import { SettingsFrame } from './SettingsFrame';

/** How the app looks on this device. */
export function LookScreen() {
  const { name, choose } = useLook();
  const [hand, chooseHand] = useHand();
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
      <Card>
        <Choice
          label="Thumb"
          value={hand}
          onChange={chooseHand}
          options={[
            { value: 'right', title: 'Right', text: 'what leads on lies at the right' },
            { value: 'left', title: 'Left', text: 'it lies at the left' },
          ]}
        />
      </Card>
    </SettingsFrame>
  );
}
