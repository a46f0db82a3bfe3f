import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { MachineFile, WorkList } from '@green-tally/core/contracts';
import {
  NewReportLink,
  OwnerReport,
  SeasonSummary,
  SharedReport,
} from '@green-tally/core/contracts/report';
import { asOfWalk, ownerReport } from '@green-tally/core/report';
import { machineFileOf, ReportLinkRow } from '../db';
import { machineId, openPlace, problem, signedIn, type Place } from '../testing/place';
import { aPhoto, photoOf } from '../testing/photo';
import { readPdf } from '../testing/readPdf';
import { fileMailer, STAND_IN } from './mail';

let place: Place;
let rhea: Awaited<ReturnType<typeof signedIn>>;
const T118 = machineId('T118');
beforeAll(async () => {
  place = await openPlace();
  rhea = await signedIn(place.app, 'rhea');
});
afterAll(() => place.close());

const anybody = () => request(place.app);
const share = async (body: object = {}, id = T118): Promise<NewReportLink> =>
  NewReportLink.parse(
    (await rhea.post(`/api/machines/${id}/report-links`).send(body).expect(201)).body,
  );
const shown = async (key: string): Promise<SharedReport> =>
  SharedReport.parse((await anybody().get(`/api/report/${key}`).expect(200)).body);
const answer = (change: object = {}) => ({
  ...{ id: randomUUID(), answer: 'yes', name: 'Nell Harrow', note: 'before the 20th', ...change },
});
const firstKey = async (key: string): Promise<string> =>
  (await shown(key)).report.items[0]?.key ?? '';

test('a link shows its report and nothing else; it is counted, and its secret is not stored', async () => {
  const now = OwnerReport.parse((await rhea.get(`/api/machines/${T118}/report`).expect(200)).body);
  const link = await share({ days: 10 });
  expect((await shown(link.key)).report).toEqual(now);
  await shown(link.key);
  const { links } = (await rhea.get(`/api/machines/${T118}/report-links`).expect(200)).body;
  expect(links[0]).toMatchObject({ id: link.id, views: 2, mailedTo: null });
  expect(links[0].key).toBeUndefined();
  const [, secret = ''] = link.key.split('~');
  const row = await ReportLinkRow.findByPk(link.id);
  expect(JSON.stringify(row)).not.toContain(secret);
  expect(link.expiresAt.slice(0, 10)).toBe('2026-06-19');
});

test('what was shared stays as it stood', async () => {
  const link = await share();
  const before = (await shown(link.key)).report.machine.hours;
  await rhea
    .patch(`/api/machines/${T118}`)
    .send({ hours: before + 7 })
    .expect(200);
  expect((await shown(link.key)).report.machine.hours).toBe(before);
  expect((await rhea.get(`/api/machines/${T118}/report`)).body.machine.hours).toBe(before + 7);
});

test('another secret, another’s, one that ended, one taken back, nonsense: not found, all alike', async () => {
  const one = await share();
  const other = await share();
  const ended = await share({ days: 1 });
  await ReportLinkRow.update({ expiresAt: new Date('2026-06-01') }, { where: { id: ended.id } });
  const back = await share();
  await rhea.delete(`/api/report-links/${back.id}`).expect(200);
  await rhea.delete(`/api/report-links/${back.id}`).expect(200);
  const [, secret = ''] = other.key.split('~');
  const keys = [
    `${one.id}~${secret}`,
    `${one.id}~`,
    one.id,
    'none',
    ended.key,
    back.key,
    `${randomUUID()}~${secret}`,
    '%00',
  ];
  const told = [];
  for (const key of keys) {
    told.push((await anybody().get(`/api/report/${encodeURIComponent(key)}`)).body);
    told.push((await anybody().get(`/api/report/${encodeURIComponent(key)}/report.pdf`)).body);
    told.push(
      (
        await anybody()
          .post(`/api/report/${encodeURIComponent(key)}/answers`)
          .send(answer({ key: 'x' }))
      ).body,
    );
  }
  expect(new Set(told.map((t) => `${t.status} ${t.title}`)).size).toBe(1);
  expect(told[0]).toMatchObject({ status: 404 });
});

describe('photos', () => {
  test('one of the report by its link; another machine’s, and one that does not stand in it, by none', async () => {
    const { report } = await shown((await share()).key);
    const checkId = (
      await rhea.get(`/api/machines/${T118}`).then((r) => MachineFile.parse(r.body))
    ).sheets
      .flatMap((s) => s.checks)
      .find((c) => c.component === report.items[0]?.component)?.id;
    const data = await aPhoto();
    const sent = async (machine: string, check: string) => {
      const id = randomUUID();
      await rhea
        .put(`/api/photos/${id}`)
        .send({ ...photoOf(machine, data.length), checkId: check })
        .expect(200);
      await rhea.post(`/api/photos/${id}/parts`).type('image/jpeg').send(data).expect(200);
      return id;
    };
    const mine = await sent(T118, checkId ?? '');
    const elsewhere = await sent(machineId('T104'), checkId ?? '');
    const link = await share();
    const { headers } = await anybody().get(`/api/report/${link.key}/photos/${mine}`).expect(200);
    expect(headers['content-type']).toBe('image/jpeg');
    await anybody().get(`/api/report/${link.key}/photos/${elsewhere}`).expect(404);
    const other = await share({}, machineId('T104'));
    await anybody().get(`/api/report/${other.key}/photos/${mine}`).expect(404);
    const { pages } = readPdf(
      (await anybody().get(`/api/report/${link.key}/report.pdf`).expect(200)).body,
    );
    // the photos that stand in the report, each once, and as large as they are
    const told = OwnerReport.parse((await shown(link.key)).report);
    const photos = new Set([...told.items, ...told.watch].flatMap((i) => i.photos));
    expect(photos).toContain(mine);
    expect(pages.flatMap((p) => p.images)).toEqual(
      Array.from(photos, () => ({ width: 160, height: 120 })),
    );
  });
});

describe('what the owner answers', () => {
  test('stands in the report and at the work, at once, once however often it is sent', async () => {
    const link = await share();
    const one = answer({ key: await firstKey(link.key), answer: 'callMe' });
    await anybody().post(`/api/report/${link.key}/answers`).send(one).expect(201);
    const again = SharedReport.parse(
      (await anybody().post(`/api/report/${link.key}/answers`).send(one).expect(201)).body,
    );
    expect(again.report.items[0]?.owner).toMatchObject({
      answer: 'callMe',
      by: 'Nell Harrow',
      note: 'before the 20th',
    });
    problem(
      await anybody()
        .post(`/api/report/${link.key}/answers`)
        .send({ ...one, answer: 'yes' }),
      409,
      'id',
    );
    const file = MachineFile.parse((await rhea.get(`/api/machines/${T118}`)).body);
    const mine = file.ticks.filter((t) => t.by === 'Nell Harrow' && t.answer === 'callMe');
    expect(new Set(mine.map((t) => t.key)).size).toBe(mine.length);
    const lists = await Promise.all(
      ['called', 'beside', 'putOff', 'accepted'].map(async (state) =>
        WorkList.parse(
          (await rhea.get(`/api/work?state=${state}&q=T118&limit=500`).expect(200)).body,
        ),
      ),
    );
    const lines = lists.flatMap((l) => l.rows).filter((r) => r.machine.id === T118);
    expect(
      lines.some((r) => r.line.owner?.answer === 'callMe' && r.line.owner.by === 'Nell Harrow'),
    ).toBe(true);
  });

  test('the last answer counts', async () => {
    const link = await share();
    const key = await firstKey(link.key);
    for (const said of ['notNow', 'yes'] as const)
      await anybody()
        .post(`/api/report/${link.key}/answers`)
        .send(answer({ key, answer: said }))
        .expect(201);
    const owner = (await shown(link.key)).report.items[0]?.owner;
    expect(owner?.answer).toBe('yes');
  });

  test.each([
    ['no name', { name: ' ' }, 'name'],
    ['an answer nobody offers', { answer: 'perhaps' }, 'answer'],
    ['an id that is none', { id: 'one' }, 'id'],
    ['a note without end', { note: 'x'.repeat(30_000) }, 'note'],
  ])('%s is refused by its name', async (_, change, field) => {
    const link = await share();
    problem(
      await anybody()
        .post(`/api/report/${link.key}/answers`)
        .send(answer({ key: 'x', ...change })),
      400,
      field,
    );
  });

  test('to an item of no report: not found, and nothing is kept', async () => {
    const link = await share();
    await anybody()
      .post(`/api/report/${link.key}/answers`)
      .send(answer({ key: 'called nothing' }))
      .expect(404);
  });
});

describe('on paper', () => {
  test('every sentence of what is to do, in order, on tagged pages that are numbered', async () => {
    const report = OwnerReport.parse((await rhea.get(`/api/machines/${T118}/report`)).body);
    const { headers, body } = await rhea
      .get(`/api/machines/${T118}/report.pdf?paper=letter`)
      .expect(200);
    expect(headers['content-type']).toBe('application/pdf');
    expect(headers['content-disposition']).toContain('report-T118-2026-06-09.pdf');
    const { title, pages } = readPdf(body);
    expect(title).toContain('T118');
    const flat = (t: string) => t.replaceAll(/\s+/g, ' ');
    const text = flat(pages.map((p) => p.text).join(' '));
    let from = 0;
    for (const item of report.items) {
      const at = text.indexOf(item.component, from);
      expect([item.component, at >= from]).toEqual([item.component, true]);
      from = at;
      expect(text).toContain(flat(item.ifLeft).slice(0, 60));
      if (item.measured.text) expect(text).toContain(item.measured.text);
    }
    pages.forEach((p, i) => {
      expect(p.tagged).toBe(true);
      expect(p.text).toContain(`page ${i + 1} of ${pages.length}`);
    });
  });

  test('names in any script, formulas and pictures in words neither break it nor slip in', async () => {
    const link = await share();
    const key = await firstKey(link.key);
    const name = 'Ζωή عمر 山田 🌾 =1+1';
    await anybody()
      .post(`/api/report/${link.key}/answers`)
      .send(answer({ key, name, note: '<b>bold</b>\u202e drow' }))
      .expect(201);
    expect((await shown(link.key)).report.items[0]?.owner?.by).toBe(name);
    const { pages } = readPdf(
      (await anybody().get(`/api/report/${link.key}/report.pdf`).expect(200)).body,
    );
    const text = pages.map((p) => p.text).join(' ');
    expect(text).toContain('=1+1');
    expect(text).toMatch(/Some letters have no form/);
  });
});

test('a walk of the past: what it found then, also on paper; of another machine, or open, none', async () => {
  const file = (await machineFileOf(T118))?.file;
  const past = file?.walks.find((w) => w.finishedAt?.startsWith('2025'));
  const report = OwnerReport.parse(
    (await rhea.get(`/api/machines/${T118}/report?walk=${past?.id}`).expect(200)).body,
  );
  expect(report.walk?.to).toBe(past?.finishedAt);
  expect(report.machine.hours).toBe(past?.hours);
  const then = file && asOfWalk(file, past?.id ?? '');
  expect(report).toEqual(
    then && JSON.parse(JSON.stringify(ownerReport(then.file, then.today, then.walk))),
  );
  const { pages } = readPdf(
    (await rhea.get(`/api/machines/${T118}/report.pdf?walk=${past?.id}`).expect(200)).body,
  );
  const text = pages.map((p) => p.text).join(' ');
  for (const { component } of report.items) expect(text).toContain(component);
  const other = machineId('T120');
  expect((await rhea.get(`/api/machines/${other}/report?walk=${past?.id}`)).status).toBe(404);
  expect((await rhea.get(`/api/machines/${T118}/report?walk=${randomUUID()}`)).status).toBe(404);
  expect((await rhea.get(`/api/machines/${T118}/report?walk=the-last`)).status).toBe(400);
});

describe('mail', () => {
  test('where none is set up it is said; nothing is shared', async () => {
    const before = await ReportLinkRow.count();
    problem(
      await rhea.post(`/api/machines/${T118}/report-links`).send({ mailTo: 'nell@harrow.invalid' }),
      400,
      'mailTo',
    );
    problem(
      await rhea.post(`/api/machines/${T118}/report-links`).send({ mailTo: 'nell at harrow' }),
      400,
      'mailTo',
    );
    problem(await rhea.post(`/api/machines/${T118}/report-links`).send({ days: 900 }), 400, 'days');
    expect(await ReportLinkRow.count()).toBe(before);
  });

  test('the stand-in writes a message whole, with its paper, and says that nothing was sent', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'green-tally-outbox-'));
    try {
      const send = fileMailer(folder);
      const attached = { name: 'report.pdf', bytes: new TextEncoder().encode('%PDF-1.7') };
      await send({
        to: 'nell@harrow.invalid',
        subject: 'Größe\r\nBcc: other@example.invalid',
        text: `Read it.\n${STAND_IN}`,
        attached,
      });
      await send({ to: 'nell@harrow.invalid', subject: 'T118', text: 'Again.' });
      const files = readdirSync(folder);
      expect(files).toHaveLength(2);
      expect(files.every((f) => f.endsWith('.eml'))).toBe(true);
      const message =
        files
          .map((f) => readFileSync(join(folder, f), 'utf8'))
          .find((t) => t.includes('report.pdf')) ?? '';
      expect(message).toContain('To: nell@harrow.invalid');
      expect(message).not.toMatch(/^Bcc:/m);
      expect(message).toContain('X-Green-Tally');
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});

test('a customer’s season: every machine of theirs in this branch, on a page and on paper', async () => {
  const file = MachineFile.parse((await rhea.get(`/api/machines/${T118}`)).body);
  const asked = `customer=${encodeURIComponent(file.machine.customer)}`;
  const season = SeasonSummary.parse((await rhea.get(`/api/season?${asked}`).expect(200)).body);
  const mine = season.machines.find((m) => m.serial === 'T118');
  const report = OwnerReport.parse((await rhea.get(`/api/machines/${T118}/report`)).body);
  expect(mine).toMatchObject({
    items: report.items.length,
    ready: report.ready,
    lacks: report.lacks,
  });
  const { pages } = readPdf((await rhea.get(`/api/season.pdf?${asked}`).expect(200)).body);
  for (const m of season.machines) expect(pages.map((p) => p.text).join(' ')).toContain(m.serial);
  await rhea.get('/api/season?customer=Nobody').expect(404);
  problem(await rhea.get('/api/season'), 400, 'customer');
});

test('people of another branch neither see nor share it', async () => {
  const corin = await signedIn(place.app, 'corin');
  await corin.get(`/api/machines/${T118}/report`).expect(403);
  await corin.post(`/api/machines/${T118}/report-links`).send({}).expect(403);
  const { id } = await share();
  await corin.delete(`/api/report-links/${id}`).expect(403);
});
