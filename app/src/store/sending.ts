import { BatchAnswer, type Photo, type Walk } from '@green-tally/core/contracts';
import { call, ApiProblem, troubleText, Unreachable } from './api';
import { local, type Outgoing } from './local';

const A_BATCH = 200;

/** Takes what was answered out of the outbox; what was refused stays there, with why. */
export type Settle = (
  entries: readonly Outgoing[],
  refused: ReadonlyMap<string, string>,
) => Promise<void>;

/**
 * Sends what must go first: walks, then readings in batches, then work, then what is withdrawn, then
 * what was done of it, then what has stopped and what is said of visits, then ticks, then what operators say; photos one by one after all else.
 */
export async function sendSome(waiting: readonly Outgoing[], settle: Settle): Promise<void> {
  const walks = waiting.filter((o) => o.kind === 'walk');
  if (walks.length) return sendEach(walks, (w) => sendWalk(w.body), settle);
  const readings = waiting.filter((o) => o.kind === 'reading').slice(0, A_BATCH);
  if (readings.length) return sendReadings(readings, settle);
  const work = waiting.filter((o) => o.kind === 'work');
  if (work.length) return sendEach(work, sendWork, settle);
  const withdrawn = waiting.filter((o) => o.kind === 'withdrawal');
  if (withdrawn.length)
    return sendEach(
      withdrawn,
      (w) => call('DELETE /work/{id}', { params: { id: w.body.id } }),
      settle,
    );
  const worked = waiting.filter((o) => o.kind === 'worked');
  if (worked.length)
    return sendEach(
      worked,
      ({ workId, body }) => call('POST /work/{id}/worked', { params: { id: workId }, body }),
      settle,
    );
  const stopped = waiting.filter((o) => o.kind === 'breakdown');
  if (stopped.length)
    return sendEach(stopped, ({ body }) => call('POST /breakdowns', { body }), settle);
  const notes = waiting.filter((o) => o.kind === 'visitNote');
  if (notes.length) return sendEach(notes, sendNote, settle);
  const ticks = waiting.filter((o) => o.kind === 'tick');
  if (ticks.length) return sendTicks(ticks.slice(0, A_BATCH), settle);
  const said = waiting.filter((o) => o.kind === 'said');
  if (said.length) return sendEach(said, sendSaid, settle);
  const [photo] = waiting.filter((o) => o.kind === 'photo');
  if (photo) return sendEach([photo], (p) => sendPhoto(p.body), settle);
}

const sendNote = ({
  body: { visitId, startedAt, stoppedAt, finishedAt },
}: Outgoing & { kind: 'visitNote' }): Promise<unknown> =>
  call('POST /visits/{id}/note', {
    params: { id: visitId },
    body: { startedAt, stoppedAt, finishedAt },
  });

type OutgoingTick = Extract<Outgoing, { kind: 'tick' }>;

/** Sends ticks together; where one of them is refused each goes by itself, so that it is found. */
async function sendTicks(entries: readonly OutgoingTick[], settle: Settle): Promise<void> {
  const send = (some: readonly OutgoingTick[]) =>
    call('POST /ticks', { body: { ticks: some.map((t) => t.body) } });
  try {
    await send(entries);
  } catch (error) {
    if (!isRefusal(error)) throw error;
    return sendEach(entries, (t) => send([t]), settle);
  }
  await settle(entries, NOTHING_REFUSED);
}

const NOTHING_REFUSED: ReadonlyMap<string, string> = new Map();

const sendSaid = ({ key, body }: Outgoing & { kind: 'said' }) =>
  call('POST /card/{key}', { params: { key }, body });

/** So much goes at once: with little signal a part comes through where a whole photo would not. */
const A_PART = 64 * 1024;

/**
 * Sends a photo, from where it stopped when it was sent before.
 * @returns why it cannot be sent, when what it shows is lost
 */
async function sendPhoto({ id, dropped: _, ...body }: Photo): Promise<string> {
  const file = await local.photoFiles.get(id);
  if (!file?.full) return 'What it showed is no longer on this device.';
  let { have, done } = await call('PUT /photos/{id}', { params: { id }, body });
  let tries = 0;
  while (!done) {
    const part = new Uint8Array(file.full.slice(have, have + A_PART));
    const came = await call('POST /photos/{id}/parts', {
      params: { id },
      query: { from: have },
      body: part,
    });
    // the server keeps answering the same: it is tried again later
    tries = came.have > have ? 0 : tries + 1;
    if (tries > 2) throw new Unreachable();
    ({ have, done } = came);
  }
  return '';
}

const sendWalk = ({ id, ...body }: Walk) => call('PUT /walks/{id}', { params: { id }, body });

async function sendWork({ id, body }: Outgoing & { kind: 'work' }): Promise<string> {
  const { items } = await call('POST /work', { body: { items: [body] } });
  return items.some((w) => w.id === id)
    ? ''
    : 'Somebody else was faster: it is in work already, as they accepted it.';
}

/** @param send what it returns, if it is text, says why it is not kept */
async function sendEach<O extends Outgoing>(
  entries: readonly O[],
  send: (entry: O) => Promise<unknown>,
  settle: Settle,
): Promise<void> {
  for (const entry of entries) {
    try {
      const why = await send(entry);
      await settle([entry], new Map(typeof why === 'string' && why ? [[entry.id, why]] : []));
    } catch (error) {
      if (!isRefusal(error)) throw error;
      await settle([entry], new Map([[entry.id, troubleText(error)]]));
    }
  }
}

/**
 * A 4xx that trying again would not change. Signed out, too many, too early: those are for later.
 */
const isRefusal = (error: unknown): boolean =>
  error instanceof ApiProblem &&
  error.problem.status >= 400 &&
  error.problem.status < 500 &&
  ![401, 408, 425, 429].includes(error.problem.status);

type OutgoingReading = Extract<Outgoing, { kind: 'reading' }>;

/**
 * Sends a batch. One that is refused as a whole is sent again in halves, down to the reading that
 * is refused alone: that one
 * is set aside with its reason, the rest go through.
 */
async function sendReadings(entries: readonly OutgoingReading[], settle: Settle): Promise<void> {
  const body = { readings: entries.map((e) => e.body) };
  try {
    const answer = BatchAnswer.parse(await call('POST /readings:batch', { body }));
    return await settle(entries, refusalsIn(answer));
  } catch (error) {
    if (!isRefusal(error)) throw error;
    const [first] = entries;
    if (entries.length === 1 && first)
      return settle(entries, new Map([[first.id, troubleText(error)]]));
  }
  const half = Math.ceil(entries.length / 2);
  await sendReadings(entries.slice(0, half), settle);
  await sendReadings(entries.slice(half), settle);
}

const refusalsIn = ({ results }: BatchAnswer): ReadonlyMap<string, string> =>
  new Map(
    results
      .filter((r) => r.result === 'rejected')
      .map((r) => [
        r.id,
        (r.errors ?? []).map((e) => `${e.field}: ${e.message}`).join(' ') || 'refused',
      ]),
  );
