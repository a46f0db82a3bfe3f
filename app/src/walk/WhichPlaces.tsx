import { Card, Choice, Press } from '../ui';

/** What is asked before it begins, where a check has several places. */
export type Asked = 'wrong' | 'renewed';

const QUESTION: Readonly<Record<Asked, string>> = {
  wrong: 'Which reading was wrong?',
  renewed: 'Which one was renewed?',
};

/** Stands for all places; no place is called so. */
const ALL = '\u0000all';

interface WhichPlacesProps {
  readonly asked: Asked;
  readonly places: readonly string[];
  readonly onChosen: (places: readonly string[]) => void;
  readonly onNone: () => void;
}

/** Which of a check's places is meant: one, or all of them. */
export function WhichPlaces({ asked, places, onChosen, onNone }: WhichPlacesProps) {
  return (
    <Card edge="blue" testID="which places">
      <Choice
        label={QUESTION[asked]}
        value={undefined}
        onChange={(place: string) => onChosen(place === ALL ? places : [place])}
        options={[
          ...places.map((place) => ({ value: place, title: place })),
          { value: ALL, title: 'all of them' },
        ]}
      />
      <Press title="None" onPress={onNone} small />
    </Card>
  );
}
