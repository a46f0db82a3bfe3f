import { useLocalSearchParams, useRouter } from 'expo-router';
import { StyleSheet } from 'react-native';
import type { Check, SpecSheet } from '@green-tally/core/contracts';
import { wantWords } from '@green-tally/core/kinds';
import { besideEachOther } from '@green-tally/core/sheets';
import { troubleText, useSpec, useSpecModels } from '../store';
import {
  Body,
  Card,
  Choice,
  Go,
  Heading,
  HeadRow,
  Notice,
  Quiet,
  Row,
  Rule,
  Screen,
  SPACE,
  Strong,
  Title,
  Waiting,
} from '../ui';
import { FieldChanges } from './Changes';
import { checkPath, sheetPath } from './words';

/** Two models side by side: what only one has, and what differs, check by check. */
export function CompareScreen() {
  const { model = '', with: other = '' } = useLocalSearchParams<{ model: string; with?: string }>();
  const router = useRouter();
  const { data: models } = useSpecModels();
  const { data: one, error, again } = useSpec(model);
  const { data: two } = useSpec(other);
  if (!one || !models)
    return (
      <Waiting
        what={`the sheet of ${model}`}
        trouble={error ? troubleText(error) : undefined}
        again={again}
      />
    );
  const others = models.items.filter((i) => i.machine === one.sheet.machine && i.model !== model);
  return (
    <Screen testID="compare" title={`${model} beside another`} full>
      <HeadRow back={{ to: sheetPath(model), title: model, label: `Back to ${model}` }} />
      <Title>{other ? `${model} beside ${other}` : `${model} beside another model`}</Title>
      {others.length ? (
        <Choice
          label="Beside"
          value={other || undefined}
          onChange={(m) => router.setParams({ with: m })}
          options={others.map((o) => ({ value: o.model, title: `${o.maker} ${o.model}` }))}
        />
      ) : (
        <Notice
          title="No other sheet of this kind"
          text="Make one from a starter, or copy this one."
        />
      )}
      {two ? <Beside one={one.sheet} two={two.sheet} /> : null}
    </Screen>
  );
}

function Beside({ one, two }: { readonly one: SpecSheet; readonly two: SpecSheet }) {
  const { both, onlyOne, onlyTwo } = besideEachOther(one, two);
  const differing = both.filter((b) => b.fields.length);
  return (
    <>
      <Strong testID="compare summary">
        {`${differing.length} checks differ, ${both.length - differing.length} are alike, ${onlyOne.length} only on ${one.model}, ${onlyTwo.length} only on ${two.model}.`}
      </Strong>
      <Only title={`Only on ${one.model}`} model={one.model} checks={onlyOne} />
      <Only title={`Only on ${two.model}`} model={two.model} checks={onlyTwo} />
      {differing.map((b) => (
        <Card key={b.one.id} testID={`compared ${b.one.id}`}>
          <Heading>{b.one.component}</Heading>
          <Row style={styles.beside}>
            <Half model={one.model} check={b.one} />
            <Half model={two.model} check={b.two} />
          </Row>
          <Rule />
          <FieldChanges fields={b.fields} />
        </Card>
      ))}
    </>
  );
}

/** A check of one of the two, and the way to it. */
function Half({ model, check }: { readonly model: string; readonly check: Check }) {
  return (
    <Go
      to={checkPath(model, check.id, undefined)}
      label={`${check.component} on ${model}`}
      style={styles.half}
    >
      <Strong tone="pine">{`${model} ›`}</Strong>
      <Body>{wantWords(check)}</Body>
      <Quiet>{check.position}</Quiet>
    </Go>
  );
}

interface OnlyProps {
  readonly title: string;
  readonly model: string;
  readonly checks: readonly Check[];
}

function Only({ title, model, checks }: OnlyProps) {
  if (!checks.length) return null;
  return (
    <Card>
      <Heading>{title}</Heading>
      <Row style={styles.only}>
        {checks.map(({ id, component, measures }) => (
          <Go
            key={id}
            to={checkPath(model, id, undefined)}
            label={`${component} on ${model}`}
            style={styles.one}
          >
            <Strong tone="pine">{`${component} ›`}</Strong>
            <Quiet>{measures}</Quiet>
          </Go>
        ))}
      </Row>
    </Card>
  );
}

const styles = StyleSheet.create({
  beside: { alignItems: 'flex-start' },
  half: { flexGrow: 1, flexBasis: '45%', minWidth: 240, gap: SPACE.xs, alignItems: 'flex-start' },
  only: { alignItems: 'flex-start', rowGap: SPACE.s },
  one: { width: 260, justifyContent: 'flex-start' },
});
