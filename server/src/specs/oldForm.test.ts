import { MachineFile, SpecSheet } from '@green-tally/core/contracts';
import { standingOf } from '@green-tally/core/plan';
import { DEMO_DAY } from '@green-tally/demo';
import { SheetRow } from '../db';
import { machineId, openPlace, signedIn, type Place } from '../testing/place';
import { demoAsLoaded } from '../testing/template';

/*
 * What was stored before the contract grew is read as it was: nothing of it is changed, and what it
 * judged it judges alike.
 */
let place: Place;
beforeAll(async () => {
  place = await openPlace();
});
afterAll(() => place.close());

/** Fields that sheets of the old form do not know. */
const NEWER = ['perPlace', 'versions', 'fits', 'wearClass', 'costs', 'drift', 'plausible'];

/** A sheet as it was before schools, positions as facts, and what differs: only checks without. */
function oldForm(sheet: SpecSheet) {
  const { positions: _positions, schools: _schools, ...rest } = sheet;
  const checks = sheet.checks.filter(
    (check) =>
      NEWER.every((key) => !(key in check)) &&
      Object.keys(check.when).every((id) => sheet.equipment.some((e) => e.id === id)),
  );
  const ids = new Set(checks.map((c) => c.id));
  return {
    ...rest,
    checks: checks.map((check) => ({
      ...check,
      knockOns: check.knockOns.filter((k) => !('check' in k) || ids.has(k.check)),
      pairs: check.pairs.filter((p) => ids.has(p.check)),
    })),
  };
}

test('a revision stored in the old form is read, judged alike and left as it is', async () => {
  const old = oldForm(demoAsLoaded().sheets.find((s) => s.model === 'Ouzel 7')!);
  await place.db.sequelize.query(
    `UPDATE spec_sheets SET document = :document WHERE model = 'Ouzel 7'`,
    { replacements: { document: JSON.stringify(old) } },
  );
  const agent = await signedIn(place.app, 'rhea');
  const file = MachineFile.parse((await agent.get(`/api/machines/${machineId('T118')}`)).body);
  const now = demoAsLoaded().files.find((f) => f.machine.serial === 'T118')!;
  const said = (f: MachineFile) =>
    standingOf(f, DEMO_DAY).verdicts.map((v) => [v.check.id, v.decision] as const);
  const ids = new Set(old.checks.map((c) => c.id));
  expect(ids.size).toBeGreaterThan(120);
  const ofHeader = new Set(
    file.sheets.flatMap((s) => (s.model === 'Merle 12' ? s.checks.map((c) => c.id) : [])),
  );
  expect(said(file)).toEqual(said(now).filter(([id]) => ids.has(id) || ofHeader.has(id)));
  expect(file.sheets.find((s) => s.model === 'Ouzel 7')?.positions).toEqual([]);
  const row = await SheetRow.findOne({ where: { model: 'Ouzel 7' } });
  expect(row?.document).toEqual(old);
});

test('changed and published, it is of the new form, and the old one is still there', async () => {
  const agent = await signedIn(place.app, 'rhea');
  const { sheet } = (await agent.get('/api/specs/Ouzel%207')).body as { sheet: SpecSheet };
  const changed = {
    ...sheet,
    positions: [...new Set(sheet.checks.map((c) => c.position))].map((name) => ({
      name,
      facts: {},
    })),
    checks: sheet.checks.map((c) =>
      c.id === 'fan-drive-belt' ? { ...c, fits: { built: { from: 2015 } } } : c,
    ),
  };
  await agent
    .put('/api/specs/Ouzel%207/draft')
    .send({ basedOn: 1, sheet: changed, version: 0 })
    .expect(200);
  await agent
    .post('/api/specs/Ouzel%207/publish')
    .send({ version: 1, remark: 'positions and years' })
    .expect(201);
  const newest = (await agent.get('/api/specs/Ouzel%207')).body.sheet as SpecSheet;
  expect([newest.revision, newest.positions.length > 0]).toEqual([2, true]);
  const file = MachineFile.parse((await agent.get(`/api/machines/${machineId('T118')}`)).body);
  expect(file.earlier.find((s) => s.model === 'Ouzel 7')?.positions).toEqual([]);
});
