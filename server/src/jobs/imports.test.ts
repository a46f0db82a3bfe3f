import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { Import, type Reading } from '@green-tally/core/contracts';
import { DEMO_DAY } from '@green-tally/demo';
import { clockFor } from '../clock';
import { ImportRow, ReadingRow } from '../db';
import { runJobs } from './work';
import { runImport } from '../walks/importCsv';
import { beltReading, machineId, openPlace, signedIn, type Place } from '../testing/place';
import { demoAsLoaded } from '../testing/template';
import { readReadingsCsv } from '../walks/readCsv';
import { writeReadingsCsv } from '../walks/writeCsv';

const { machines, sheets, readings } = demoAsLoaded();
const serials = new Map(machines.map((m) => [m.id, m.serial]));
const sample = readFileSync(resolve(__dirname, '../../../demo/readings-sample.csv'), 'utf8');
const read = (text: string) => readReadingsCsv(text, machines, sheets);
const HEADER = 'machine,check,place,quantity,value,unit,taken_at,hours';
const row = (cells: string) => read(`${HEADER}\n${cells}`)[0];

describe('the readings file', () => {
  test('what is written is read back the same', () => {
    const back = read(writeReadingsCsv(readings, serials)).map((r) => r.reading);
    const plain = (list: readonly (Reading | undefined)[]) =>
      list.map(
        (r) =>
          r && {
            ...r,
            value:
              r.value.kind === 'measure' || r.value.kind === 'travel'
                ? { ...r.value, typed: undefined }
                : r.value,
          },
      );
    expect(plain(back)).toEqual(plain(readings));
  });
  test('the shipped sample holds at least 200 readings over three seasons, all readable', () => {
    const rows = read(sample);
    expect(rows.length).toBeGreaterThanOrEqual(200);
    expect(rows.filter((r) => r.errors.length)).toEqual([]);
    expect(new Set(rows.map((r) => r.reading?.takenAt.slice(0, 4)))).toEqual(
      new Set(['2024', '2025', '2026']),
    );
  });
  test('a byte-order mark, semicolons and decimal commas are read', () => {
    const [first] = read(
      `\uFEFF${HEADER.replaceAll(',', ';')}\r\nT118;fan-drive-belt;belt;measure;37,25;mm;2026-06-09;1.285,5\r\n`,
    );
    expect(first?.errors.map((e) => e.field)).toEqual(['hours']);
    const [second] = read(
      `\uFEFF${HEADER.replaceAll(',', ';')}\r\nT118;fan-drive-belt;belt;measure;37,25;mm;2026-06-09;1285,5\r\n`,
    );
    expect(second?.reading).toMatchObject({
      hours: 1285.5,
      takenAt: '2026-06-09T12:00:00.000Z',
      value: { values: [37.25] },
    });
  });
  test('inches as people write them', () =>
    expect(
      row('T118,fan-drive-belt,belt,measure,1 3/8 in,,2026-06-09,1285')?.reading?.value,
    ).toMatchObject({ values: [34.925] }));
  test.each([
    [
      'T999,fan-drive-belt,belt,measure,37,mm,2026-06-09,1285',
      'machine',
      /No machine has the serial "T999"/,
    ],
    ['T118,rotor-gap,belt,measure,37,mm,2026-06-09,1285', 'check', /has no check/],
    ['T118,fan-drive-belt,belt,measure,wide,mm,2026-06-09,1285', 'value', /not a number/],
    ['T118,fan-drive-belt,belt,measure,-37,mm,2026-06-09,1285', 'value', /cannot be negative/],
    ['T118,fan-drive-belt,belt,measure,37,furlong,2026-06-09,1285', 'unit', /not a unit/],
    ['T118,fan-drive-belt,belt,measure,37,mm,9 June,1285', 'taken_at', /a time like/],
    ['T118,fan-drive-belt,belt,measure,37,mm,2026-06-09,many', 'hours', /not a number of hours/],
    ['T118,fan-drive-belt,belt,guess,37,mm,2026-06-09,1285', 'quantity', /not a quantity/],
    [
      'T118,conveyor-chain-tension,left,mark,nearly,mm,2026-06-09,1285',
      'value',
      /write at, short 2/,
    ],
    ['T118,elevator-chain,boot,feel,soft,,2026-06-09,1285', 'value', /write stuck/],
    ['T118,chopper-knives,rotor,count,some,,2026-06-09,1285', 'value', /write missing=1/],
    ['T118,fan-drive-belt,belt,measure,,mm,2026-06-09,1285', 'value', /empty/],
  ])('%s is refused at %s', (cells, field, message) => {
    const error = row(cells)?.errors.find((e) => e.field === field);
    expect(error?.message).toMatch(message);
    expect(row(cells)?.reading).toBeUndefined();
  });
  test.each([
    ['elevator-drive-belt,here,gonogo,does not fit,', { kind: 'gonogo', fits: false }],
    [
      'conveyor-slats,here,condition,marked: bent; loose,',
      { kind: 'condition', grade: 'marked', seen: ['bent', 'loose'] },
    ],
    ['engine-oil,here,level,low grey,', { kind: 'level', level: 'low', colour: 'grey' }],
    [
      'elevator-chain,boot,feel,just slides with play,',
      { kind: 'feel', feel: 'justSlides', play: true },
    ],
    ['elevator-chain,boot,feel,hangs no play,', { kind: 'feel', feel: 'hangs', play: false }],
    ['drum-height,here,setting,high,', { kind: 'setting', option: 'high' }],
    [
      'feeder-slip-clutch,here,service,done 2 of Grease NLGI 0,',
      { kind: 'service', amount: 2, product: 'Grease NLGI 0' },
    ],
    ['air-filter,here,service,done,', { kind: 'service', amount: null, product: '' }],
    ['battery-voltage,here,measure,12.6,V', { kind: 'measure', values: [12.6] }],
    ['tyre-pressure,front left,measure,2 bar,', { kind: 'measure', values: [200] }],
    ['wheel-bolts,rear left,measure,590,', { kind: 'measure', values: [590] }],
  ])('%s is read, and written back the same', (cells, value) => {
    const one = row(
      `T118,${cells.split(',').slice(0, 4).join(',')},${cells.split(',')[4] ?? ''},2026-06-09,1285`,
    );
    expect(one?.errors).toEqual([]);
    expect(one?.reading?.value).toMatchObject(value);
    const [again] = read(
      writeReadingsCsv([one!.reading!], new Map([[one!.reading!.machineId, 'T118']])),
    );
    expect(again?.reading?.value).toMatchObject(value);
  });
  test.each([
    ['elevator-drive-belt,here,gonogo,nearly,', 'value', /fits or does not fit/],
    ['conveyor-slats,here,condition,poor,', 'value', /sound, marked: cracks/],
    ['engine-oil,here,level,half,', 'value', /low, right or high/],
    ['feeder-slip-clutch,here,service,soon,', 'value', /write done/],
    ['battery-voltage,here,measure,12.6,mm', 'unit', /not a unit of voltage: write V/],
  ])('%s is refused at %s', (cells, field, message) => {
    const one = row(
      `T118,${cells.split(',').slice(0, 4).join(',')},${cells.split(',')[4] ?? ''},2026-06-09,1285`,
    );
    expect(one?.errors.find((e) => e.field === field)?.message).toMatch(message);
  });
  test('missing columns are named', () =>
    expect(() => read('machine,value\nT118,3')).toThrow(
      /Missing: check, place, quantity, taken_at, hours/,
    ));
  test('an unclosed quote, an empty file and a header alone are refused in words', () => {
    expect(() => read(`${HEADER}\n"T118,fan`)).toThrow(/cannot be read as CSV/);
    expect(() => read('')).toThrow(/Missing/);
    expect(() => read(HEADER)).toThrow(/no readings below/);
  });
  test('a row without an id gets the same id each time', () => {
    const cells = 'T118,fan-drive-belt,belt,measure,37,mm,2026-06-09,1285';
    expect(row(cells)?.reading?.id).toBe(row(cells)?.reading?.id);
  });
});

describe('import through the API', () => {
  let place: Place;
  beforeAll(async () => {
    place = await openPlace();
  });
  afterAll(() => place.close());
  const begin = async (text: string, query = '') => {
    const rhea = await signedIn(place.app, 'rhea');
    const begun = await rhea.post(`/api/readings/import${query}`).type('text/csv').send(text);
    expect(begun.status).toBe(202);
    return { rhea, id: Import.parse(begun.body).id };
  };
  /** Sends a file, lets a worker at it, and gives what has become of it. */
  const send = async (text: string, query = ''): Promise<Import> => {
    const { rhea, id } = await begin(text, query);
    await runJobs({ db: place.db, clock: clockFor(DEMO_DAY) });
    return Import.parse((await rhea.get(`/api/imports/${id}`).expect(200)).body);
  };
  const count = () => ReadingRow.count({ where: { machineId: machineId('T126') } });

  test('previewed, nothing is stored; imported, all is; again, all are duplicates', async () => {
    expect((await send(sample, '?preview=yes')).report).toMatchObject({
      stored: false,
      accepted: 1211,
      rejected: 0,
    });
    expect(await count()).toBe(0);
    expect((await send(sample)).report).toMatchObject({
      stored: true,
      accepted: 1211,
    });
    expect(await count()).toBe(1211);
    expect((await send(sample)).report).toMatchObject({
      accepted: 0,
      duplicate: 1211,
    });
    expect(await count()).toBe(1211);
  });
  test('one bad row: all or none stores none, by choice the valid ones', async () => {
    const text = `${HEADER}\nT126,fan-drive-belt,belt,measure,35.9,mm,2026-06-09,690\nT126,fan-drive-belt,belt,measure,wide,mm,2026-06-09,690\nT126,fan-drive-belt,nowhere,measure,35,mm,2026-06-09,690`;
    const before = await count();
    const none = (await send(text)).report!;
    expect(none).toMatchObject({ stored: false, accepted: 1, rejected: 2 });
    expect(none.lines.map((l) => [l.row, l.result, l.errors[0]?.field])).toEqual([
      [2, 'accepted', undefined],
      [3, 'rejected', 'value'],
      [4, 'rejected', 'place'],
    ]);
    expect(await count()).toBe(before);
    expect((await send(text, '?mode=valid')).report).toMatchObject({
      stored: true,
      accepted: 1,
      rejected: 2,
    });
    expect(await count()).toBe(before + 1);
  });
  test('a file that is none is refused in words, as a whole', async () => {
    const { state, trouble, report } = await send('machine,value\nT118,3');
    expect([state, report, trouble?.title]).toEqual(['refused', null, 'Columns are missing']);
    expect(trouble?.detail).toMatch(/Missing: check, place/);
  });
  test('it says how far it is; nobody else is told', async () => {
    const { rhea, id } = await begin(
      `${HEADER}\nT126,fan-drive-belt,belt,measure,36,mm,2026-06-09,690`,
    );
    expect(Import.parse((await rhea.get(`/api/imports/${id}`)).body)).toMatchObject({
      state: 'waiting',
      rows: null,
      report: null,
    });
    await (await signedIn(place.app, 'maud')).get(`/api/imports/${id}`).expect(404);
    await runJobs({ db: place.db, clock: clockFor(DEMO_DAY) });
    expect((await rhea.get(`/api/imports/${id}`)).body).toMatchObject({ state: 'done', rows: 1 });
    // run again, as after a loss of power: it is done, and its file is let go
    await runImport(place.db, id, DEMO_DAY);
    expect(await ImportRow.findByPk(id)).toMatchObject({ state: 'done', file: null });
  });
  test('what others write to its machines meanwhile makes it begin anew; nothing is lost or doubled', async () => {
    const rows = Array.from(
      { length: 2500 },
      (_, i) =>
        `T126,fan-drive-belt,belt,measure,${(35 + (i % 300) / 100).toFixed(2)},mm,${new Date(Date.UTC(2024, 9, 1) + i * 24_000).toISOString()},${590.5 + i / 100_000}`,
    );
    const ines = await signedIn(place.app, 'ines');
    const before = await count();
    const { rhea, id } = await begin([HEADER, ...rows].join('\n'));
    const jobs = runJobs({ db: place.db, clock: clockFor(DEMO_DAY) });
    const own = Array.from({ length: 6 }, () =>
      beltReading({ machineId: machineId('T126'), hours: 690 }),
    );
    for (const reading of own) {
      const answer = await ines.post('/api/readings:batch').send({ readings: [reading] });
      expect(answer.body.results[0].result).toBe('accepted');
    }
    await jobs;
    expect((await rhea.get(`/api/imports/${id}`)).body.report).toMatchObject({
      stored: true,
      accepted: 2500,
    });
    expect(await count()).toBe(before + 2500 + own.length);
  });
  test('all of a branch goes out machine by machine, and comes in again as it was', async () => {
    const rhea = await signedIn(place.app, 'rhea');
    const { text } = await rhea.get('/api/readings.csv').expect(200);
    const back = readReadingsCsv(text, machines, sheets);
    expect(back.filter((r) => r.errors.length)).toEqual([]);
    const names = back.map((r) => r.machine);
    expect(names).toEqual([...names].sort());
    const { report } = await send(text);
    expect(report?.lines.filter((l) => l.result !== 'duplicate')).toEqual([]);
    expect(report).toMatchObject({ accepted: 0, duplicate: back.length });
  });
});
