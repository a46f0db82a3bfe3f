import { randomBytes, timingSafeEqual } from 'node:crypto';
import express, { type Express, type RequestHandler, type Response } from 'express';
import { z } from 'zod';
import { random } from '@green-tally/core/random';
import { gaugePage } from './page';

/*
 * A stand-in for a wireless gauge, which says that it is one. It pairs by the code on its display and
 * sends what is "measured" with it, with noise, to whoever is paired, by Server-Sent Events.
 */

/** What it measures: one division of its scale, in the core's own unit. */
export const GAUGE_SENDS = [
  { quantity: 'length', unit: 'mm', resolution: 0.01 },
  { quantity: 'force', unit: 'N', resolution: 1 },
] as const;

export const GAUGE_NAME = 'Simulated gauge';

/** Standard deviation of what it sends, in divisions. */
const NOISE = 2;
/** Wrong codes in a row before it sleeps, and for how long, ms. */
const MOST_TRIES = 5;
const SLEEP = 30_000;

const Pressed = z.object({
  quantity: z.enum(['length', 'force']),
  truth: z.coerce.number().finite().min(0).max(100_000),
});
const Paired = z.object({ code: z.string().max(20) });

interface GaugeWish {
  /** what is shown on its display */
  readonly code: string;
  readonly seed: number;
  readonly now?: () => number;
}

/** The gauge's own little server. */
export function createGauge({ code, seed, now = Date.now }: GaugeWish): Express {
  const app = express();
  const noise = random(seed);
  const tokens = new Set<string>();
  const listeners = new Set<Response>();
  let tries = 0;
  let asleepUntil = 0;
  let sent = 0;
  app.disable('x-powered-by');
  app.use(ownMachineOnly, express.json({ limit: '2kb' }), express.urlencoded({ extended: false }));

  app.get('/', (_req, res) => void res.type('html').send(gaugePage(code)));

  app.post('/pair', (req, res) => {
    if (now() < asleepUntil)
      return void res.status(429).json({ title: 'Too many wrong codes. Wait half a minute.' });
    const asked = Paired.safeParse(req.body);
    if (!asked.success || !same(asked.data.code, code)) {
      tries += 1;
      if (tries >= MOST_TRIES) {
        tries = 0;
        asleepUntil = now() + SLEEP;
      }
      return void res.status(403).json({ title: 'That is not the code on its display.' });
    }
    tries = 0;
    const token = randomBytes(16).toString('hex');
    tokens.add(token);
    res.json({ name: GAUGE_NAME, simulated: true, token, sends: GAUGE_SENDS });
  });

  app.get('/readings', (req, res) => {
    if (!tokens.has(String(req.query['token'])))
      return void res.status(403).json({ title: 'Not paired any more.' });
    res.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store' });
    res.write('event: ready\ndata: {}\n\n');
    listeners.add(res);
    req.on('close', () => listeners.delete(res));
  });

  app.post('/press', (req, res) => {
    const pressed = Pressed.safeParse(req.body);
    if (!pressed.success)
      return void res.status(400).json({ title: 'A length or a force, and a number of it.' });
    const { quantity, truth } = pressed.data;
    const { unit, resolution } = GAUGE_SENDS.find((s) => s.quantity === quantity) ?? GAUGE_SENDS[0];
    const divisions = Math.round(truth / resolution + NOISE * noise.normal());
    const value = Number((Math.max(0, divisions) * resolution).toFixed(2));
    sent += 1;
    const reading = { n: sent, quantity, unit, value };
    for (const to of listeners) to.write(`event: reading\ndata: ${JSON.stringify(reading)}\n\n`);
    if (req.accepts(['json', 'html']) === 'html') return void res.redirect(303, '/');
    res.json({ ...reading, heardBy: listeners.size });
  });
  return app;
}

/** Pages of the app on this machine may talk to it, from whatever port they came. */
const ownMachineOnly: RequestHandler = (req, res, next) => {
  const origin = req.get('origin');
  if (origin && LOOPBACK.test(origin))
    res.set({
      'access-control-allow-origin': origin,
      'access-control-allow-headers': 'content-type',
      vary: 'origin',
    });
  if (req.method === 'OPTIONS') return void res.status(204).end();
  next();
};
const LOOPBACK = /^http:\/\/(127\.0\.0\.1|localhost)(:\d+)?$/;

const same = (a: string, b: string): boolean => {
  const [one, other] = [Buffer.from(a.trim()), Buffer.from(b)];
  return one.length === other.length && timingSafeEqual(one, other);
};
