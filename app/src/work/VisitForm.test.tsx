import { fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import { SWRConfig } from 'swr';
import { Visit, type MachineFile, type VisitPlan } from '@green-tally/core/contracts';
import { local } from '../store';
import { swrConfig } from '../store/hooks';
import { answering } from '../testing/answering';
import { MACHINE_ID, machineFile } from '../testing/fixtures';
import { VisitForm } from './VisitForm';

const INES = '0197a000-0000-4000-8000-0000000000aa';

/** What came to be set, as the server keeps it: whoever does not know the newest version is refused. */
let sent: VisitPlan[] = [];
let stands: Visit | undefined;

beforeEach(() => {
  sent = [];
  stands = undefined;
  answering((path, init) => {
    if (path === '/session')
      return {
        body: {
          ...{ person: null, needsSetup: false, demo: false, demoSignIns: [] },
          now: '2026-06-09T07:00:00.000Z',
        },
      };
    if (path === '/people')
      return {
        body: {
          people: [
            {
              ...{ id: INES, name: 'Ines Marrow', signIn: 'ines', role: 'technician' },
              ...{ branch: 'Upper Larkmoor' },
            },
          ],
        },
      };
    if (!path.startsWith('/visits/')) return { body: {} };
    const id = path.slice('/visits/'.length);
    if (init?.method === 'DELETE') {
      stands = undefined;
      return { status: 204, body: null };
    }
    const body = JSON.parse(String(init?.body)) as VisitPlan;
    sent.push(body);
    if ((stands?.version ?? null) !== body.version)
      return {
        status: 409,
        body: { title: 'Somebody else moved it.', status: 409, code: 'moved' },
      };
    const version = (stands?.version ?? 0) + 1;
    const rest = { endsOn: body.startsOn, technician: 'Ines Marrow', hours: 4, workIds: [] };
    stands = Visit.parse({ ...body, ...rest, id, version });
    return { body: stands };
  });
});
afterAll(() => local.close());

const FILE: MachineFile = machineFile();
const form = (file: MachineFile, visit?: Visit) => (
  <SWRConfig value={{ ...swrConfig, provider: () => new Map(), dedupingInterval: 0 }}>
    <VisitForm file={file} visit={visit} hours={4} onChanged={() => undefined} />
  </SWRConfig>
);
const day = () => screen.getByLabelText('Starts on (year-month-day)');
async function set(on: string) {
  const before = sent.length;
  fireEvent.changeText(day(), on);
  fireEvent.press(screen.getByTestId('set visit'));
  await waitFor(() => expect(sent).toHaveLength(before + 1));
  await waitFor(() => expect(screen.getByTestId('set visit')).not.toBeDisabled());
}
const choose = async () => fireEvent.press(await screen.findByText('Ines Marrow'));

test('set and moved at once, before the machine is told anew: it is one visit, moved, and nobody else is named', async () => {
  render(form(FILE));
  await choose();
  await set('2026-06-16');
  expect(screen.getByText('Visit planned')).toBeVisible();
  await set('2026-06-17');
  await set('2026-06-18');
  expect(sent.map((s) => [s.startsOn, s.version])).toEqual([
    ['2026-06-16', null],
    ['2026-06-17', 1],
    ['2026-06-18', 2],
  ]);
  expect(stands).toMatchObject({ startsOn: '2026-06-18', version: 3, machineId: MACHINE_ID });
  expect(screen.queryByText('The visit was not set')).toBeNull();
});

test('a file that was on its way before the move does not take it back; one that tells of a later one counts', async () => {
  const shown = render(form(FILE));
  await choose();
  await set('2026-06-16');
  const first = stands;
  await set('2026-06-17');
  shown.rerender(form({ ...FILE }, first));
  await set('2026-06-18');
  expect(sent.at(-1)).toMatchObject({ startsOn: '2026-06-18', version: 2 });
  // moved by another meanwhile
  stands = Visit.parse({ ...stands, startsOn: '2026-06-22', version: 7 });
  shown.rerender(form({ ...FILE }, stands));
  await set('2026-06-23');
  expect(sent.at(-1)).toMatchObject({ startsOn: '2026-06-23', version: 7 });
  // dropped by another meanwhile: what is set then is a new one
  stands = undefined;
  shown.rerender(form({ ...FILE }));
  expect(screen.getByText('Plan the visit')).toBeVisible();
  await choose();
  await set('2026-06-24');
  expect(sent.at(-1)).toMatchObject({ startsOn: '2026-06-24', version: null });
});

test('dropped, it is gone at once', async () => {
  render(form(FILE));
  await choose();
  await set('2026-06-16');
  fireEvent.press(screen.getByText('Drop the visit'));
  await waitFor(() => expect(screen.getByText('Plan the visit')).toBeVisible());
});
