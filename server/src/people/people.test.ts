import request from 'supertest';
import { DEMO_PASSWORD } from '@green-tally/demo';
import { openPlace, signedIn, type Place } from '../testing/place';
import { hashPassword, passwordFits } from './passwords';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let maud: Agent;
beforeAll(async () => {
  place = await openPlace();
  maud = await signedIn(place.app, 'maud');
});
afterAll(() => place.close());

const tam = { name: 'Tam Reed', signIn: 'tam', password: 'ten letters', role: 'technician' };
const add = (change: object = {}) => maud.post('/api/people').send({ ...tam, ...change });
const signIn = (name: string, password: string) =>
  request(place.app).post('/api/session').send({ signIn: name, password });

describe('people', () => {
  test('one who is added can sign in, and is of the branch of the one who added them', async () => {
    expect((await add()).status).toBe(201);
    const { status, body } = await signIn('tam', 'ten letters');
    expect([status, body.person]).toMatchObject([
      201,
      { name: 'Tam Reed', role: 'technician', branch: 'Upper Larkmoor' },
    ]);
  });
  test('a sign-in name is one whether written large or small, and is not given twice', async () => {
    expect((await signIn('TAM', 'ten letters')).status).toBe(201);
    const { status, body } = await add();
    expect([status, body.errors?.[0].field]).toEqual([409, 'signIn']);
  });
  test.each([
    ['password', { password: 'short' }],
    ['signIn', { signIn: ' x ' }],
    ['name', { name: '' }],
    ['role', { role: 'owner' }],
  ])('without a proper %s nobody is added', async (field, change) => {
    const { status, body } = await add({ signIn: `new ${field}`, ...change });
    expect([status, body.errors?.[0].field]).toEqual([400, field]);
  });
  test('no answer ever holds a password or its hash', async () => {
    const answers = [
      await maud.get('/api/people'),
      await maud.get('/api/session'),
      await signIn('ines', DEMO_PASSWORD),
    ];
    for (const { text } of answers) expect(text).not.toMatch(/passwordHash|password_hash|scrypt/);
  });
  test('the list has everybody by name', async () => {
    const { people } = (await maud.get('/api/people')).body;
    const names = people.map((p: { name: string }) => p.name);
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)));
    expect(names).toContain('Tam Reed');
  });
});

describe('a kept password', () => {
  test('fits itself and nothing else', async () => {
    const hash = await hashPassword('before harvest');
    expect(await passwordFits('before harvest', hash)).toBe(true);
    expect(await passwordFits('Before harvest', hash)).toBe(false);
    expect(await passwordFits('', hash)).toBe(false);
  });
  test('is not the password, and the same one is kept differently each time', async () => {
    const [one, two] = await Promise.all([
      hashPassword('before harvest'),
      hashPassword('before harvest'),
    ]);
    expect(one).not.toContain('before harvest');
    expect(one).not.toBe(two);
  });
});
