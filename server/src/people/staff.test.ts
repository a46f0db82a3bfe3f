import request from 'supertest';
import { DEMO_PASSWORD, demoId } from '@green-tally/demo';
import { PersonRow } from '../db';
import { openPlace, problem, signedIn, type Place } from '../testing/place';
import { deviceWords } from './sessions';
import { guessable, hashIsOld, passwordFits } from './passwords';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let maud: Agent;
beforeAll(async () => {
  place = await openPlace();
  maud = await signedIn(place.app, 'maud');
});
afterAll(() => place.close());

const [ines, bram, tobin, odd, own] = ['ines', 'bram', 'tobin', 'odd', 'maud'].map((name) =>
  demoId(`person ${name}`),
);
const signIn = (name: string, password: string) =>
  request(place.app).post('/api/session').send({ signIn: name, password });
const change = (id: string | undefined, body: object, agent = maud) =>
  agent.patch(`/api/people/${id}`).send(body);
const staff = async () => (await maud.get('/api/staff').expect(200)).body.people;
const oneOf = async (id: string | undefined) =>
  (await staff()).find((p: { id: string }) => p.id === id);

describe('a person who may not sign in any more', () => {
  test('is signed out everywhere, comes in nowhere, and their calendar link ends', async () => {
    const theirs = await signedIn(place.app, 'ines');
    const { key } = (await theirs.post('/api/feeds').send({ personId: ines }).expect(201)).body;
    const path = `/api/feeds/${key}/visits.ics`;
    await request(place.app).get(path).expect(200);
    expect((await change(ines, { suspended: true })).body).toMatchObject({
      suspended: true,
      sessions: 0,
    });
    expect((await theirs.get('/api/yard')).status).toBe(401);
    expect((await signIn('ines', DEMO_PASSWORD)).status).toBe(401);
    expect((await request(place.app).get(path)).status).toBe(404);
    expect((await maud.get('/api/session')).body.person.signIn).toBe('maud');
    const { visits } = await oneOf(ines);
    expect(visits).toBeGreaterThan(0);
    await change(ines, { suspended: false }).expect(200);
    expect((await signIn('ines', DEMO_PASSWORD)).status).toBe(201);
  });
  test('keeps no half day on the board, and stands there with the visits left to them', async () => {
    await change(ines, { suspended: true }).expect(200);
    const { body } = await maud.get('/api/board').expect(200);
    const { name, open } = body.technicians.find((t: { id: string }) => t.id === ines);
    expect(name).toBe('Ines Marrow (suspended)');
    expect(open.every((slot: number) => slot === open[0])).toBe(true);
    await change(ines, { suspended: false }).expect(200);
  });
});

describe('rights', () => {
  test('nobody shuts themselves out, and the last admin stays one', async () => {
    problem(await change(own, { suspended: true }), 400, 'suspended');
    problem(await change(own, { role: 'planner' }), 400, 'role');
    expect((await maud.delete(`/api/people/${own}`)).status).toBe(400);
    await change(odd, { role: 'admin' }).expect(200);
    const second = await signedIn(place.app, 'odd');
    // of two admins who shut each other out at once one stays
    const answers = await Promise.all([
      change(own, { role: 'planner' }, second),
      change(odd, { role: 'planner' }, maud),
    ]);
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    const admins = await PersonRow.count({ where: { role: 'admin' } });
    expect(admins).toBe(1);
    await PersonRow.update({ role: 'admin' }, { where: { id: own ?? '' } });
    await PersonRow.update({ role: 'technician' }, { where: { id: odd ?? '' } });
    maud = await signedIn(place.app, 'maud');
  });
  test('another role ends what was opened with the old one', async () => {
    const theirs = await signedIn(place.app, 'bram');
    await change(bram, { role: 'planner' }).expect(200);
    expect((await theirs.get('/api/yard')).status).toBe(401);
    await change(bram, { role: 'technician' }).expect(200);
  });
  test.each([
    ['branch', { branch: 'Nowhere' }],
    ['name', {}],
    ['role', { role: 'owner' }],
    ['suspended', { suspended: 'yes' }],
  ])('what cannot be is refused by %s', async (field, body) => {
    problem(await change(tobin, body), 400, field);
  });
});

describe('removing', () => {
  test('one who stands on record is suspended instead; one who has done nothing goes', async () => {
    problem(await maud.delete(`/api/people/${bram}`), 409, 'id');
    const fresh = { name: 'Slip Finger', signIn: 'slip', password: 'heron sickle dew' };
    const added = await maud.post('/api/people').send({ ...fresh, role: 'technician' });
    await maud.delete(`/api/people/${added.body.id}`).expect(204);
    expect(await oneOf(added.body.id)).toBeUndefined();
    expect((await maud.delete(`/api/people/${added.body.id}`)).status).toBe(404);
  });
});

describe('passwords', () => {
  const NEW = 'heron sickle dew';
  test('one that an admin sets lets a person in once, to set their own', async () => {
    const before = await signedIn(place.app, 'tobin');
    await maud.post(`/api/people/${tobin}/password`).send({ password: NEW }).expect(200);
    expect((await before.get('/api/yard')).status).toBe(401);
    const agent = request.agent(place.app);
    const { body } = await agent.post('/api/session').send({ signIn: 'tobin', password: NEW });
    expect(body).toMatchObject({ mustChange: true, person: { signIn: 'tobin' } });
    expect((await agent.get('/api/yard')).body.title).toBe('Your own password first');
    const set = (old: string, password: string) =>
      agent.post('/api/session/password').send({ old, password });
    problem(await set('wrong one here', 'gander loft sheaf'), 400, 'old');
    problem(await set(NEW, NEW), 400, 'password');
    problem(await set(NEW, 'password123'), 400, 'password');
    problem(await set(NEW, 'tobinvale2026'), 400, 'password');
    expect((await set(NEW, 'gander loft sheaf')).body.mustChange).toBe(false);
    expect((await agent.get('/api/yard')).status).toBe(200);
    expect((await signIn('tobin', NEW)).status).toBe(401);
  });
  test('changing one’s own signs every other device out', async () => {
    const [here, there] = [await signedIn(place.app, 'bram'), await signedIn(place.app, 'bram')];
    expect((await here.get('/api/sessions')).body.sessions).toHaveLength(2);
    await here
      .post('/api/session/password')
      .send({ old: DEMO_PASSWORD, password: 'gander loft sheaf' })
      .expect(200);
    expect((await here.get('/api/yard')).status).toBe(200);
    expect((await there.get('/api/yard')).status).toBe(401);
  });
  test('after ten wrong ones an account rests, from wherever they came, until an admin sets a new one', async () => {
    const tries = await Promise.all(
      Array.from({ length: 12 }, () => signIn('odd', 'not the password')),
    );
    expect(tries.filter((t) => t.status === 429).length).toBeGreaterThanOrEqual(2);
    expect((await signIn('odd', DEMO_PASSWORD)).status).toBe(429);
    await place.db.sequelize.query(`DELETE FROM tries WHERE key NOT LIKE 'account %'`);
    await maud.post(`/api/people/${odd}/password`).send({ password: NEW }).expect(200);
    expect((await signIn('odd', NEW)).status).toBe(201);
  });
  test('one kept in the way of an earlier edition still opens, and is kept anew', async () => {
    const old =
      'scrypt$16384$AAAAAAAAAAAAAAAAAAAAAA==$' +
      (await import('node:crypto'))
        .scryptSync('before the change', Buffer.alloc(16), 32, { N: 16384, r: 8, p: 1 })
        .toString('base64');
    expect(await passwordFits('before the change', old)).toBe(true);
    expect([hashIsOld(old), await passwordFits('another', old)]).toEqual([true, false]);
    await PersonRow.update({ passwordHash: old }, { where: { id: odd ?? '' } });
    expect((await signIn('odd', 'before the change')).status).toBe(201);
    const { passwordHash } = (await PersonRow.findByPk(odd)) ?? {};
    expect(passwordHash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect((await signIn('odd', 'before the change')).status).toBe(201);
  });
  test.each([
    'Password123',
    'qwertyuiop',
    'aaaaaaaaaaaa',
    'abcabcabcabc',
    'green tally',
    'Ines Marrow 7',
  ])('anybody would try "%s"', (password) =>
    expect(guessable(password, ['Ines Marrow', 'ines'])).toHaveLength(1),
  );
  test.each(['before-harvest', 'heron sickle dew', 'three geese over fen'])(
    'nobody would try "%s"',
    (password) => expect(guessable(password, ['Ines Marrow'])).toEqual([]),
  );
});

describe('devices and the record', () => {
  test('a session tells what it was opened with, and opens nothing by its name', async () => {
    const agent = request.agent(place.app);
    await agent
      .post('/api/session')
      .set('user-agent', 'Mozilla/5.0 (Linux; Android 15) x')
      .send({ signIn: 'sana', password: DEMO_PASSWORD })
      .expect(201);
    const { sessions } = (await agent.get('/api/sessions')).body;
    expect(sessions).toMatchObject([{ here: true, device: 'a phone or tablet (Android)' }]);
    const stolen = `green-tally=s%3A${sessions[0].id}.x`;
    expect((await request(place.app).get('/api/yard').set('cookie', stolen)).status).toBe(401);
    expect((await agent.delete('/api/sessions/nobody')).status).toBe(404);
    await maud.delete(`/api/people/${demoId('person sana')}/sessions`).expect(200);
    expect((await agent.get('/api/yard')).status).toBe(401);
    expect(deviceWords('')).toContain('says nothing');
  });
  test('who changed what is kept with it, from what to what; what failed is not', async () => {
    await change(bram, { role: 'planner', name: 'Bram Tolley' }).expect(200);
    await change(bram, { branch: 'Nowhere' }).expect(400);
    const { entries } = (await maud.get('/api/audit?limit=5').expect(200)).body;
    expect(entries[0]).toMatchObject({
      by: 'Maud Ellery',
      what: 'Change a person’s name, role or branch; suspend them or let them in again',
      subject: 'Bram Tolley',
      detail: 'role: technician → planner',
    });
    expect(entries.some((e: { detail: string }) => e.detail.includes('Nowhere'))).toBe(false);
    const text = JSON.stringify((await maud.get('/api/audit?limit=500')).body);
    expect(text).toContain('Signed in');
    for (const secret of ['gander loft sheaf', 'heron sickle dew', 'argon2'])
      expect(text).not.toContain(secret);
    const only = (await maud.get('/api/audit?by=maud')).body.entries;
    expect(new Set(only.map((e: { by: string }) => e.by))).toEqual(new Set(['Maud Ellery']));
    await change(bram, { role: 'technician' });
  });
  test('a session that has lasted long enough ends, however often it was used', async () => {
    const agent = await signedIn(place.app, 'corin');
    await place.db.sequelize.query(
      `UPDATE session SET sess = jsonb_set(sess::jsonb, '{startedAt}', '"2020-01-01T00:00:00Z"')::json
       WHERE sess->>'personId' = '${demoId('person corin')}'`,
    );
    expect((await agent.get('/api/yard')).status).toBe(401);
    expect((await agent.get('/api/session')).body.person).toBeNull();
  });
});
