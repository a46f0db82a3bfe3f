// What phones take in a storm: walks, readings, ticks and photos, each sent until it is answered.
import { pause } from './random.mjs';

export const DAY = '2026-06-09';

/** A small photo, of noise so that it is of some size. */
export async function aPicture() {
  const { default: sharp } = await import('sharp');
  return sharp({
    create: {
      ...{ width: 160, height: 120, channels: 3, background: '#777' },
      noise: { type: 'gaussian', mean: 120, sigma: 40 },
    },
  })
    .jpeg({ quality: 80 })
    .toBuffer();
}

/** What can be read without doubt on some machines: a look, sound, with words of its own. */
export async function placesToRead(phones) {
  const [one] = phones;
  const { body: yard } = await one.send('GET', '/yard?limit=200&branch=Upper%20Larkmoor');
  const places = [];
  for (const { machine } of yard.rows.slice(0, 8)) {
    const { body } = await one.send('GET', `/machines/${machine.id}/checks?limit=500`);
    for (const check of body.items.filter((c) => c.kind === 'condition'))
      for (const place of check.places) places.push({ machine, check, place });
  }
  return places;
}

/** One phone's season: walks with readings, ticks and photos, each sent until it is answered. */
export async function season({ me, random, places, storm, script, picture }) {
  while (!storm.over) {
    const { machine } = random.one(places);
    const walkId = random.uuid();
    const walk = {
      machineId: machine.id,
      startedAt: `${DAY}T00:00:00.000Z`,
      hours: machine.hours,
      by: 'whoever',
    };
    const begun = await me.send('PUT', `/walks/${walkId}`, walk);
    if (begun.status !== 200) throw new Error(`a walk was refused: ${JSON.stringify(begun.body)}`);
    script.walks.set(walkId, machine.id);
    const here = places.filter((p) => p.machine.id === machine.id);
    const readings = Array.from({ length: 1 + random.below(12) }, () => {
      const { check, place } = random.one(here);
      // a phone whose clock has jumped ahead is told so, and keeps what it took
      const skewed = random.below(20) === 0;
      return {
        id: random.uuid(),
        machineId: machine.id,
        walkId,
        checkId: check.id,
        sheet: { model: machine.model, revision: 1 },
        place,
        state: 'asFound',
        value: { kind: 'condition', grade: 'sound', seen: [], found: '' },
        positionConfirmed: true,
        takenAt: skewed
          ? '2026-06-10T12:00:00.000Z'
          : `${DAY}T00:00:${String(random.below(60)).padStart(2, '0')}.000Z`,
        hours: machine.hours,
        by: 'whoever',
        note: `storm ${random.uuid()}`,
      };
    });
    const onSheet = new Set(here.filter((p) => p.check.on === 'combine').map((p) => p.check.id));
    const kept = readings.filter((r) => onSheet.has(r.checkId));
    if (kept.length) {
      const answer = await me.send('POST', '/readings:batch', { readings: kept });
      for (const [i, { result, errors }] of answer.body.results.entries()) {
        const reading = kept[i];
        const ahead = reading.takenAt.startsWith('2026-06-10');
        if (ahead !== (result === 'rejected'))
          throw new Error(`${reading.takenAt}: ${result} ${JSON.stringify(errors)}`);
        (ahead ? script.refused : script.readings).set(reading.id, reading);
      }
    }
    const tick = {
      ...{ id: random.uuid(), machineId: machine.id, key: `task|storm|${walkId}`, done: true },
      ...{ at: `${DAY}T00:00:00.000Z`, by: 'whoever', note: '' },
    };
    const ticked = await me.send('POST', '/ticks', { ticks: [tick] });
    if (ticked.status !== 200 && ticked.status !== 201)
      throw new Error(`a tick was refused: ${JSON.stringify(ticked.body)}`);
    script.ticks.set(tick.id, machine.id);
    if (random.below(6) === 0) await sendPhoto({ me, random, machine, script, picture, here });
    await pause(random.below(30));
  }
}

/** In parts, from where it stopped, as the app sends it. */
async function sendPhoto({ me, random, machine, script, picture, here }) {
  const id = random.uuid();
  const body = {
    machineId: machine.id,
    ...{ walkId: null, checkId: here[0].check.id, place: '', by: 'whoever' },
    ...{ bytes: picture.length, width: 160, height: 120, takenAt: `${DAY}T00:00:00.000Z` },
  };
  let { have, done } = (await me.send('PUT', `/photos/${id}`, body)).body;
  while (!done) {
    const part = picture.subarray(have, have + 4096);
    const came = await me.send('POST', `/photos/${id}/parts?from=${have}`, part, 'image/jpeg');
    ({ have, done } = came.body);
  }
  script.photos.set(id, machine.id);
}
