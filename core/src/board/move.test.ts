import { ADA, BEN, boardJob, boardPageOf, jobId, placing } from '../testing/board';
import {
  CLOSED,
  inTheWayOf,
  lengthTo,
  OVER_TIME,
  putAt,
  stepTechnician,
  stepTime,
  type Placings,
} from './index';

const none: Placings = new Map();
const page = boardPageOf([boardJob(1), boardJob(2)]);
const [job, other] = [boardJob(1), boardJob(2)];
const at = (change: Parameters<typeof placing>[0] = {}): Placings =>
  new Map([[jobId(1), placing(change)]]);

describe('a visit put with the hand', () => {
  test('stands where it is put, on the site that suits its work', () =>
    expect(putAt(page, none, job, { technicianId: BEN, slot: 3 })).toEqual(
      placing({ technicianIds: [BEN], startsOn: '2026-06-10', starts: 'noon' }),
    ));
  test('on a weekend it goes on to Monday morning', () =>
    expect(putAt(page, none, job, { technicianId: ADA, slot: 9 })).toMatchObject({
      startsOn: '2026-06-15',
      starts: 'morning',
      overTime: false,
    }));
  test('on a half day over time it is worked over time', () => {
    const over = page.technicians.map((t) => ({
      ...t,
      open: t.open.map((o, slot) => (slot === 8 ? OVER_TIME : o)),
    }));
    const to = putAt({ ...page, technicians: over }, none, job, { technicianId: ADA, slot: 8 });
    expect(to).toMatchObject({ startsOn: '2026-06-13', overTime: true });
  });
  test('what was said of it stays: length, pin, site', () => {
    const was = at({ halfDays: 5, pinned: true, site: 'farm' });
    expect(putAt(page, was, job, { technicianId: BEN, slot: 0 })).toMatchObject({
      ...{ halfDays: 5, pinned: true, site: 'farm', technicianIds: [BEN] },
    });
  });
  test('where it takes two the second is one who has time', () => {
    const three = {
      ...page,
      technicians: [
        ...page.technicians,
        { id: jobId(9), name: 'Cy', skills: [], open: page.technicians[0]?.open ?? [], away: [] },
      ],
    };
    const busy: Placings = new Map([[jobId(2), placing({ technicianIds: [BEN], site: 'farm' })]]);
    const to = putAt(three, busy, { ...job, crew: 2 }, { technicianId: ADA, slot: 0 });
    expect(to.technicianIds).toEqual([ADA, jobId(9)]);
    expect(
      inTheWayOf({ ...three, jobs: [{ ...job, crew: 2 }, other] }, busy, { ...job, crew: 2 }, to),
    ).toEqual([]);
  });
  test('the one who came with it before is asked first', () => {
    const was = at({ technicianIds: [BEN, ADA] });
    expect(
      putAt(page, was, { ...job, crew: 2 }, { technicianId: ADA, slot: 2 }).technicianIds,
    ).toEqual([ADA, BEN]);
  });
});

describe('drawn longer by its lower edge', () => {
  const to = placing({ startsOn: '2026-06-12' });
  test('it takes the half days up to there, and rests over the weekend', () => {
    expect(lengthTo(page, to, 7).halfDays).toBe(2);
    expect(lengthTo(page, to, 12).halfDays).toBe(3);
  });
  test('never less than one', () => expect(lengthTo(page, to, 2).halfDays).toBe(1));
});

describe('by keys', () => {
  test('a half day later, over a weekend; and back', () => {
    const friday = at({ startsOn: '2026-06-12', starts: 'noon' });
    const monday = stepTime(page, friday, job, 1);
    expect(monday).toMatchObject({ startsOn: '2026-06-15', starts: 'morning' });
    expect(stepTime(page, new Map([[jobId(1), monday ?? null]]), job, -1)).toEqual(
      placing({ startsOn: '2026-06-12', starts: 'noon' }),
    );
  });
  test('not before today, and not past the end', () => {
    expect(stepTime(page, at(), job, -1)).toBeUndefined();
    const shut = page.technicians.map((t) => ({
      ...t,
      open: t.open.map((o, s) => (s > 0 ? CLOSED : o)),
    }));
    expect(stepTime({ ...page, technicians: shut }, at(), job, 1)).toBeUndefined();
  });
  test('to the next technician, round the end', () => {
    expect(stepTechnician(page, at(), job, 1)?.technicianIds).toEqual([BEN]);
    expect(stepTechnician(page, at({ technicianIds: [BEN] }), job, 1)?.technicianIds).toEqual([
      ADA,
    ]);
  });
  test('what is not on the board is not moved', () => {
    expect(stepTime(page, none, job, 1)).toBeUndefined();
    expect(stepTechnician(page, none, job, 1)).toBeUndefined();
  });
});
