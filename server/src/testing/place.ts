import { randomUUID } from 'node:crypto';
import type { Express } from 'express';
import request from 'supertest';
import type { SpecDetail } from '@green-tally/core/contracts';
import { DEMO_DAY, DEMO_PASSWORD, demoId } from '@green-tally/demo';
import { openDatabase, type Database } from '../db';
import { createApp } from '../http/app';
import type { Clock } from '../clock';
import { databaseUrl, makeDatabase } from './template';

/** A database of its own on the test cluster, and the app upon it. */
export interface Place {
  readonly app: Express;
  readonly db: Database;
  readonly url: string;
  close(): Promise<void>;
}

/** The demo's day, late: what tests say was taken that day is past, whenever they run. */
const AFTERNOON: Clock = {
  today: () => DEMO_DAY,
  now: () => new Date(`${DEMO_DAY}T18:00:00.000Z`),
};

export async function openPlace({ demo = true } = {}): Promise<Place> {
  const base = process.env['TEST_DATABASE_URL'] ?? '';
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  await makeDatabase(base, name, demo);
  const url = databaseUrl(base, name);
  const db = await openDatabase(url);
  const app = createApp({
    db,
    clock: AFTERNOON,
    sessionSecret: 'test',
    logLevel: 'silent',
    checkAnswers: true,
  });
  return { app, db, url, close: () => db.close() };
}

/** A signed-in agent that keeps its cookie. */
export async function signedIn(
  app: Express,
  signIn: string,
): Promise<ReturnType<typeof request.agent>> {
  const agent = request.agent(app);
  await agent.post('/api/session').send({ signIn, password: DEMO_PASSWORD }).expect(201);
  return agent;
}

export const machineId = (serial: string): string => demoId(`machine ${serial}`);

/** A well-formed fan-belt reading of T118, with changes. */
export const beltReading = (change: object = {}): Record<string, unknown> => ({
  id: randomUUID(),
  machineId: machineId('T118'),
  walkId: null,
  checkId: 'fan-drive-belt',
  sheet: { model: 'Ouzel 7', revision: 1 },
  place: 'belt',
  state: 'asFound',
  value: { kind: 'measure', values: [37.2], typed: ['37.2'], unit: 'mm' },
  renewed: false,
  settled: false,
  positionConfirmed: true,
  tool: null,
  takenAt: '2026-06-09T08:00:00.000Z',
  hours: 1285,
  by: 'Ines Marrow',
  note: '',
  strikes: null,
  ...change,
});

/** Asks for a model's sheet as the agent of the moment. */
export const sheetsFor =
  (agent: () => Awaited<ReturnType<typeof signedIn>>) =>
  async (model: string, revision?: number): Promise<SpecDetail> =>
    (
      await agent()
        .get(`/api/specs/${model}${revision ? `?revision=${revision}` : ''}`)
        .expect(200)
    ).body as SpecDetail;

/** Holds an answer to be a problem of this status, naming the field; gives its body. */
export const problem = (response: request.Response, status: number, field?: string) => {
  expect(response.status).toBe(status);
  expect(response.type).toBe('application/problem+json');
  if (field) expect(response.body.errors.map((e: { field: string }) => e.field)).toContain(field);
  return response.body;
};

/** Takes what comes first of an answer that never ends. */
export function firstWords(
  response: request.Response,
  done: (error: Error | null, body: unknown) => void,
): void {
  response.once('data', (said: unknown) => {
    done(null, String(said));
    (response as unknown as { destroy(): void }).destroy();
  });
}

type Agent = Awaited<ReturnType<typeof signedIn>>;

/**
 * A demo place with some people signed in, opened before the tests of a file and closed after them.
 * @returns the place, and somebody's agent, once they are there
 */
export function placeWith(...names: readonly string[]): {
  readonly place: () => Place;
  readonly as: (name: string) => Agent;
} {
  let opened: Place | undefined;
  const agents = new Map<string, Agent>();
  beforeAll(async () => {
    const place = await openPlace();
    opened = place;
    for (const name of names) agents.set(name, await signedIn(place.app, name));
  });
  afterAll(() => opened?.close());
  const there = <T>(thing: T | undefined): T => {
    if (thing === undefined) throw new Error('nobody is there yet');
    return thing;
  };
  return { place: () => there(opened), as: (name) => there(agents.get(name)) };
}
