import type { CheckOf, Machine } from '@green-tally/core/contracts';
import { expectedOption } from '@green-tally/core/kinds';
import { Notice } from '../../ui';
import type { SeenKind } from './seenKind';

/** The option found, against the one the next crop and header want. */
export const setting: SeenKind<'setting'> = {
  question: 'What is it set to?',
  answers: (check) => check.options.map((o) => ({ value: o, title: o })),
  usual: (check, machine) => wantedBy(check, machine)?.option,
  value: (_, { choice }) => ({ value: { kind: 'setting', option: choice } }),
  Wanted: ({ check, machine }) => {
    const { crop } = machine.harvest;
    const wanted = wantedBy(check, machine);
    return wanted ? (
      <Notice
        tone="blue"
        title={`${crop} wants: ${wanted.option}`}
        text={wanted.because ?? `What is it set to${withHeader(machine)}?`}
      />
    ) : (
      <Notice tone="blue" title={`Nothing is given for ${crop}`} text="See the maker's manual." />
    );
  },
};

const wantedBy = (check: CheckOf<'setting'>, { harvest, header }: Machine) =>
  expectedOption(check, harvest.crop, header?.model);

const withHeader = ({ header }: Machine): string => (header ? ` with the ${header.model} on` : '');
