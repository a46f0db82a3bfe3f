import { parse } from 'csv-parse/sync';
import { ClassPage, InsightPage, WalksPage } from '@green-tally/core/contracts/insight';
import {
  classPage,
  classWear,
  insightPage,
  ratesByMachine,
  survivalOf,
  walksOf,
  type InsightMember,
} from '@green-tally/core/insight';
import { MachineRow } from '../db';
import { taughtBy } from '../insight/learnt';
import { openPlace, problem, signedIn, type Place } from '../testing/place';

type Agent = Awaited<ReturnType<typeof signedIn>>;

let place: Place;
let rhea: Agent;
let members: readonly InsightMember[];
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
  const taught = await taughtBy({ db: place.db, branch: 'Upper Larkmoor', of: {} });
  members = taught.map((text) => JSON.parse(text) as InsightMember);
});
afterAll(() => place.close());

const page = async (query = '', agent = rhea): Promise<InsightPage> =>
  InsightPage.parse((await agent.get(`/api/insight${query}`).expect(200)).body);
const csv = async (query: string): Promise<Record<string, string>[]> =>
  parse((await rhea.get(`/api/insight.csv${query}`).expect(200)).text, { columns: true });

describe('what wears out where', () => {
  test('the figures are core’s own, over the machines of the branch', async () => {
    const own = await page();
    expect(own.machines).toBe(await MachineRow.count({ where: { branch: 'Upper Larkmoor' } }));
    const { of, learntOn, choices } = own;
    expect(own).toEqual(
      JSON.parse(JSON.stringify(insightPage(members, { of, learntOn, choices }))),
    );
    expect(learntOn).toBe('2026-06-09');
    expect(choices.branch).toEqual(['Upper Larkmoor']);
    expect(own.walks.map((w) => w.kind)).toEqual(
      expect.arrayContaining(['afterHarvest', 'beforeHarvest']),
    );
    expect(own.walks.reduce((n, w) => n + w.found, 0)).toBeGreaterThan(20);
  });
  test('a class by hand: its rate, its lives, its machines', async () => {
    const [first] = (await page()).classes.filter((c) => c.wear && c.life?.ended);
    const key = first?.key ?? '';
    const body = ClassPage.parse((await rhea.get(`/api/insight/classes/${key}`)).body);
    const rates = members.flatMap((m) =>
      m.slopes.flatMap((s) => (s.key === key ? [{ machine: m.machine.id, ...s }] : [])),
    );
    const { value, low, high } = classWear(ratesByMachine(rates));
    expect(body.class.wear).toMatchObject({ value, low, high, lives: rates.length });
    const lives = members.flatMap((m) =>
      m.parts.flatMap((p) =>
        p.key === key ? [{ hours: (p.to ?? m.machine.hours) - p.from, ended: p.to !== null }] : [],
      ),
    );
    expect(body.class.life).toMatchObject({
      lives: lives.length,
      median: survivalOf(lives).median,
    });
    expect(body).toEqual(JSON.parse(JSON.stringify(classPage(members, {}, key))));
    expect(body.machines.length).toBeGreaterThan(3);
  });
  test('breakdowns of the demo are in it, with the hours they cost', async () => {
    const { classes } = await page();
    expect(classes[0]?.hoursLost).toBeGreaterThan(0);
    expect(classes.reduce((n, c) => n + c.stops, 0)).toBeGreaterThan(0);
  });
  test('of a crop only; nonsense finds nothing and says so', async () => {
    const all = await page();
    const crop = all.choices.crop[0] ?? '';
    const few = await page(`?crop=${encodeURIComponent(crop)}`);
    expect(few.machines).toBeLessThan(all.machines);
    expect(few.choices).toEqual(all.choices);
    expect((await page('?crop=cork')).machines).toBe(0);
    problem(await rhea.get('/api/insight/walks?kind=stroll'), 400, 'kind');
    expect((await rhea.get('/api/insight/classes/boiler')).status).toBe(404);
  });
  test('another branch’s machines are not in it, whatever is asked; an admin sees them side by side', async () => {
    const corin = await signedIn(place.app, 'corin');
    const other = await page('', corin);
    expect(other.choices.branch).toEqual(['Sedge Ford']);
    expect((await page('?branch=Sedge%20Ford')).machines).toBe(0);
    const maud = await signedIn(place.app, 'maud');
    const all = await page('', maud);
    expect(all.forecasts.map((f) => f.branch)).toEqual(['Sedge Ford', 'Upper Larkmoor']);
    expect(all.machines).toBe((await page()).machines + other.machines);
    expect((await page('?branch=Sedge%20Ford', maud)).machines).toBe(other.machines);
  });
  test('walks of a kind, with the machine each was of', async () => {
    const { walks, more } = WalksPage.parse(
      (await rhea.get('/api/insight/walks?kind=beforeHarvest')).body,
    );
    expect(walks).toEqual(walksOf(members, 'beforeHarvest').slice(0, 200));
    expect(more).toBe(0);
  });
});

describe('the same as a table', () => {
  test('every class with its figures; rates in per cent of the limit in 100 h', async () => {
    const { classes } = await page();
    const rows = await csv('?what=classes');
    expect(rows.map((r) => r['class'])).toEqual(classes.map((c) => c.key));
    const worn = classes.find((c) => c.wear);
    const row = rows.find((r) => r['class'] === worn?.key);
    expect(Number(row?.['wear_per_100h'])).toBeCloseTo((worn?.wear?.value ?? 0) * 1e4, 3);
    expect(row?.['needed_a_hand']).toBe(String(worn?.hands));
  });
  test('groups, machines and walks have the rows the screen has', async () => {
    const key = (await page()).classes.find((c) => c.wear)?.key ?? '';
    const one = classPage(members, {}, key);
    expect(await csv(`?what=groups&key=${key}`)).toHaveLength(
      (one?.by ?? []).reduce((n, b) => n + b.groups.length, 0),
    );
    const machines = await csv(`?what=machines&key=${key}`);
    expect(machines.map((m) => m['serial'])).toEqual(one?.machines.map((m) => m.serial));
    expect(await csv('?what=walks&kind=afterHarvest')).toHaveLength(
      walksOf(members, 'afterHarvest').length,
    );
    expect((await csv('?what=groups')).length).toBeGreaterThan(30);
    expect(await csv('?what=forecasts')).toHaveLength(1);
    problem(await rhea.get('/api/insight.csv?what=all'), 400, 'what');
  });
  test('a name that looks like a formula is text', async () => {
    const row = await MachineRow.findOne({
      where: { branch: 'Upper Larkmoor' },
      rejectOnEmpty: true,
    });
    const { customer } = row;
    await row.update({ customer: '=HYPERLINK("x")' });
    const rows = await csv('?what=machines');
    expect(rows.some((r) => r['customer'] === `'=HYPERLINK("x")`)).toBe(true);
    expect(rows.some((r) => r['customer']?.startsWith('='))).toBe(false);
    await row.update({ customer });
  });
});
