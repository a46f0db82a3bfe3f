import request from 'supertest';
import { Session } from '@green-tally/core/contracts';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';

let place: Place;
beforeAll(async () => {
  place = await openPlace();
});
afterAll(() => place.close());

describe('sign in', () => {
  test('the cookie is out of reach of scripts and other sites', async () => {
    const response = await request(place.app)
      .post('/api/session')
      .send({ signIn: 'INES', password: 'before-harvest' })
      .expect(201);
    expect(Session.parse(response.body).person?.name).toBe('Ines Marrow');
    expect(response.get('set-cookie')?.[0]).toMatch(
      /HttpOnly.*SameSite=Strict|SameSite=Strict.*HttpOnly/,
    );
  });
  test('a wrong password and an unknown name are answered alike', async () => {
    const wrong = problem(
      await request(place.app).post('/api/session').send({ signIn: 'ines', password: 'no' }),
      401,
    );
    const unknown = problem(
      await request(place.app).post('/api/session').send({ signIn: 'nobody', password: 'no' }),
      401,
    );
    expect(wrong).toEqual(unknown);
  });
  test('signing out ends it', async () => {
    const ines = await signedIn(place.app, 'ines');
    await ines.delete('/api/session').expect(204);
    problem(await ines.get('/api/yard'), 401);
  });
  test('a foreign origin cannot write', async () => {
    problem(
      await request(place.app)
        .post('/api/session')
        .set('origin', 'https://elsewhere.example')
        .send({ signIn: 'ines', password: 'before-harvest' }),
      403,
    );
  });
});

describe('who may do what', () => {
  test("a planner cannot change another branch's machine", async () => {
    const corin = await signedIn(place.app, 'corin');
    problem(await corin.patch(`/api/machines/${machineId('T118')}`).send({ hours: 1300 }), 403);
  });
});
