import type { z } from 'zod';
import { ROUTES, type RouteId } from './index';
import { RIGHTS } from '../rights';
import type { Route } from './route';

const ids = Object.keys(ROUTES) as RouteId[];
const routes = ids.map((id) => ({ id, route: ROUTES[id] as Route }));
const named = (id: string) => [...id.matchAll(/\{(\w+)\}/g)].map(([, name]) => name);

describe('the route table', () => {
  test.each(ids)('%s is a method and a path under /api', (id) =>
    expect(id).toMatch(/^(GET|POST|PUT|PATCH|DELETE) \/[a-z{][a-zA-Z{}./:-]*$/),
  );
  test('no two routes are one path with differently named parts', () => {
    const shapes = ids.map((id) => id.replace(/\{\w+\}/g, '{}'));
    expect(new Set(shapes).size).toBe(ids.length);
  });
  test.each(routes)('$id: its parameters are those that its path names', ({ id, route }) =>
    expect(Object.keys(route.params?.shape ?? {})).toEqual(named(id)),
  );
  test.each(routes)('$id: says in a sentence what it does', ({ route }) =>
    expect(route.summary).toMatch(/^[A-Z].{5,}/),
  );
  test.each(routes)('$id: its door is a right that somebody holds', ({ route }) =>
    expect(route.door === 'anyone' || route.door in RIGHTS).toBe(true),
  );
  test.each(routes.filter(({ id }) => id.startsWith('GET ')))(
    '$id: one that only reads takes no body, and whoever may look may read',
    ({ route }) => {
      expect(route.body).toBeUndefined();
      // a draft and an import are seen by those who may make them, people and the record by admins
      expect(['anyone', 'look', 'keepSheets', 'importReadings', 'keepPeople']).toContain(
        route.door,
      );
    },
  );
  test.each(routes.filter(({ id }) => /^(POST|PUT|PATCH|DELETE) /.test(id)))(
    '$id: one that writes is never open to whoever merely looks',
    ({ id, route }) => {
      // what is one's own alone: the password, the devices one is signed in on
      const own = ['POST /session/password', 'DELETE /sessions/{key}'];
      expect(route.door === 'look').toBe(own.includes(id));
      // an operator's card and a shared report are opened by their links, not by an account
      const open = [
        ...['POST /session', 'DELETE /session', 'POST /setup'],
        ...['POST /card/{key}', 'POST /report/{key}/answers'],
      ];
      expect(route.door === 'anyone').toBe(open.includes(id));
    },
  );
  test.each(routes)('$id: answers nothing only with 204', ({ route }) =>
    expect(route.answer === null).toBe(route.status === 204),
  );
  test('a list in pages takes a cursor and a limit, and answers items and the next', () => {
    const paged = routes.filter(({ route }) => route.query && 'cursor' in route.query.shape);
    expect(paged.map((p) => p.id)).toHaveLength(11);
    for (const { route } of paged) {
      expect(Object.keys(route.query?.shape ?? {})).toEqual(expect.arrayContaining(['limit']));
      const { limit } = route.query?.parse({}) as { limit: number };
      expect([60, 100, 120]).toContain(limit);
      const answer = route.answer as z.ZodObject;
      expect(Object.keys(answer.shape)).toContain('next');
      expect(route.query?.safeParse({ limit: '501' }).success).toBe(false);
    }
  });
});
