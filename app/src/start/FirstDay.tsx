import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { SpecSummary } from '@green-tally/core/contracts';
import { mayDo } from '@green-tally/core/rights';
import { printNumber } from '@green-tally/core/units';
import {
  troubleText,
  usePeople,
  useSession,
  useSpecModels,
  useYard,
  type WholeYard,
} from '../store';
import {
  Card,
  Go,
  Heading,
  Notice,
  Press,
  Quiet,
  Row,
  Screen,
  SPACE,
  Strong,
  Title,
  usePalette,
  Waiting,
} from '../ui';
import { limitsPath } from '../specs/words';
import { NewSheet } from '../specs/NewSheet';
import { BookCard } from '../settings/BooksScreen';

/** A step of the first day: done by what is on the books, never by a tick. */
interface Step {
  readonly id: string;
  readonly title: string;
  readonly done: boolean;
  readonly says: string;
}

/** The first day of a dealership: branch, sheet, limits, machines, people, first walk. */
export function FirstDay() {
  const router = useRouter();
  const { data: session } = useSession();
  const { data: models, error, again } = useSpecModels();
  const { yard } = useYard();
  const { data: people } = usePeople();
  const person = session?.person;
  if (!models || !yard || !person)
    return (
      <Waiting
        what="the first day"
        trouble={error ? troubleText(error) : undefined}
        again={again}
      />
    );
  const steps = stepsOf(person.branch, {
    models: models.items,
    yard,
    people: people?.people.length ?? 1,
  });
  const next = steps.find((s) => !s.done)?.id;
  const keepsPeople = mayDo(person.role, 'keepPeople');
  return (
    <Screen testID="first day" title="First day">
      <Title>First day</Title>
      <Quiet>
        From an empty place to the first judged reading. Each step is done when it is on the books;
        come back here whenever you like.
      </Quiet>
      {steps.map((step, i) => (
        <StepCard key={step.id} step={step} number={i + 1} here={step.id === next}>
          {step.id === next ? (
            <StepBody id={step.id} models={models.items} yard={yard} keepsPeople={keepsPeople} />
          ) : null}
        </StepCard>
      ))}
      {next ? null : (
        <Notice
          tone="pine"
          title="The first day is done"
          text="From here on the Yard says what is to be done next, and why."
          action={{ title: 'To the Yard', onPress: () => router.push('/') }}
        />
      )}
    </Screen>
  );
}

interface OnTheBooks {
  readonly models: readonly SpecSummary[];
  readonly yard: WholeYard;
  readonly people: number;
}

function stepsOf(branch: string, { models, yard, people }: OnTheBooks): Step[] {
  const combines = models.filter((m) => m.machine === 'combine');
  const entered = models.reduce((sum, m) => sum + m.figures.entered, 0);
  const all = models.reduce((sum, m) => sum + m.figures.all, 0);
  const { machines, unwalked } = yard.all;
  const walked = machines - unwalked;
  return [
    { id: 'branch', title: 'Your branch', done: true, says: branch },
    {
      id: 'sheet',
      title: 'A sheet from a starter',
      done: combines.length > 0,
      says: models.length
        ? models.map((m) => `${m.maker} ${m.model}`).join(', ')
        : 'What is checked on your machines, and how. One for each model.',
    },
    {
      id: 'limits',
      title: 'Limits from the maker’s manual',
      done: all > 0 && entered === all,
      says: all ? `${entered} of ${all} entered` : 'What each reading is judged by.',
    },
    {
      id: 'machines',
      title: 'Machines and customers',
      done: machines > 0,
      says: machines
        ? `${printNumber(machines, 0)} on the books`
        : 'One by one, or all at once from a list.',
    },
    {
      id: 'people',
      title: 'People',
      done: people > 1,
      says: people > 1 ? `${people} can sign in` : 'Who walks machines and who plans.',
    },
    {
      id: 'walk',
      title: 'The first walk',
      done: walked > 0,
      says: walked ? `${walked} begun or done` : 'Take a phone to the first machine.',
    },
  ];
}

interface StepCardProps {
  readonly step: Step;
  readonly number: number;
  readonly here: boolean;
  readonly children: React.ReactNode;
}

function StepCard({ step: { id, title, done, says }, number, here, children }: StepCardProps) {
  const palette = usePalette();
  return (
    <Card edge={done ? 'pine' : here ? 'ink' : 'line'} testID={`step ${id}`}>
      <Row>
        <Title style={{ color: done ? palette.pine : palette.quiet }}>{done ? '✓' : '○'}</Title>
        <View style={styles.grows}>
          <Heading>{`${number} ${title}`}</Heading>
          <Quiet>{`${done ? 'Done: ' : ''}${says}`}</Quiet>
        </View>
      </Row>
      {children}
    </Card>
  );
}

interface StepBodyProps {
  readonly id: string;
  readonly models: readonly SpecSummary[];
  readonly yard: WholeYard;
  readonly keepsPeople: boolean;
}

function StepBody({ id, models, yard, keepsPeople }: StepBodyProps) {
  const router = useRouter();
  const go = (title: string, to: Href) => (
    <Press fill="pine" title={title} onPress={() => router.push(to)} />
  );
  switch (id) {
    case 'sheet':
      return <NewSheet open />;
    case 'limits':
      return (
        <>
          {models
            .filter((m) => m.figures.entered < m.figures.all)
            .map((m) => (
              <Go
                key={m.model}
                to={limitsPath(m.model)}
                label={`Limits of ${m.model}: ${m.figures.entered} of ${m.figures.all}`}
                testID={`limits of ${m.model}`}
              >
                <Strong tone="pine">{`${m.maker} ${m.model}: ${m.figures.entered} of ${m.figures.all} ›`}</Strong>
              </Go>
            ))}
          <Quiet>
            You need not enter all of them today: a walk can begin, and what has no limit says so.
          </Quiet>
          <Later />
        </>
      );
    case 'machines':
      return (
        <>
          <BookCard kind="machines" />
          <Press title="Add one by hand" onPress={() => router.push('/settings/machines')} />
        </>
      );
    case 'people':
      return keepsPeople ? (
        <>
          <BookCard kind="people" />
          <Press title="Add one by hand" onPress={() => router.push('/settings/people')} />
        </>
      ) : (
        <Quiet>An admin adds them.</Quiet>
      );
    case 'walk': {
      const [row] = yard.rows;
      return row ? go(`Walk ${row.machine.serial}`, `/walk/${row.machine.id}`) : null;
    }
    default:
      return null;
  }
}

/** The steps after the limits may be taken before all of them are entered. */
function Later() {
  const router = useRouter();
  return (
    <Row>
      <Press small title="Machines now" onPress={() => router.push('/settings/books')} />
      <Press small title="People now" onPress={() => router.push('/settings/people')} />
      <Press small title="To the Yard" onPress={() => router.push('/')} />
    </Row>
  );
}

const styles = StyleSheet.create({ grows: { flex: 1, gap: SPACE.xs } });
