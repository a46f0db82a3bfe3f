import { useState } from 'react';
import type { SpecSheet } from '@green-tally/core/contracts';
import { Card, Choice, Heading, later, Press, Quiet, Row } from '../ui';
import { SchoolWords } from './SchoolWords';
import type { Editing } from './useEditing';

type School = SpecSheet['schools'][number];

const ChoicesForm = later('the schools', async () => (await import('../forms')).ChoicesForm);

/** Where good people disagree: the way in force on this sheet, and why; a planner can choose another. */
export function SchoolsCard({ editing }: { readonly editing: Editing }) {
  const { sheet, may } = editing;
  const [open, setOpen] = useState(false);
  const [writing, setWriting] = useState(false);
  if (!sheet.schools.length && !may) return null;
  const choose = (school: School, chosen: string) =>
    void editing.keep({
      ...sheet,
      schools: sheet.schools.map((s) => (s.id === school.id ? { ...s, chosen } : s)),
    });
  return (
    <Card testID="schools">
      <Row apart>
        <Heading>{`Schools: ${sheet.schools.length}`}</Heading>
        <Press
          title={open ? 'Fold' : 'Show'}
          label={open ? 'Fold the schools' : 'Show the schools'}
          small
          onPress={() => setOpen(!open)}
        />
      </Row>
      {open ? (
        <Quiet>
          Where good people disagree. The way chosen here decides which checks the walk asks; what
          was read by another is kept, and not compared with it.
        </Quiet>
      ) : null}
      {open && writing ? (
        <ChoicesForm of="schools" editing={editing} onDone={() => setWriting(false)} />
      ) : null}
      {open && may && !writing ? (
        <Press
          title="Write the schools"
          testID="write schools"
          small
          onPress={() => setWriting(true)}
        />
      ) : null}
      {open && !writing
        ? sheet.schools.map((school) =>
            may ? (
              <Choice
                key={school.id}
                label={school.subject}
                tall
                value={school.chosen}
                onChange={(chosen) => choose(school, chosen)}
                options={school.options.map(({ id, name, why }) => ({
                  value: id,
                  title: name,
                  text: why,
                }))}
              />
            ) : (
              <SchoolWords key={school.id} school={school} />
            ),
          )
        : null}
    </Card>
  );
}
