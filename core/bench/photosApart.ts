import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { photoTable, type Measured, type PhotoTable, type Taken } from './photos';

const PART = fileURLToPath(new URL('./photoPart.ts', import.meta.url));
/** So many photos a part: whatever the processors, the parts are the same, and so are the photos. */
const AT_ONCE = 20;

/** Photos by the dice in parts side by side, as many as there are processors. @param seed of the first part */
export async function photosApart(seed: number, taken: Taken): Promise<PhotoTable> {
  const parts = Array.from({ length: Math.ceil(taken.cases / AT_ONCE) }, (_, i) => ({
    seed: seed + 1000 * i,
    taken: { ...taken, cases: Math.min(AT_ONCE, taken.cases - i * AT_ONCE) },
  }));
  const seen: Measured[] = [];
  const work = async () => {
    for (let part = parts.shift(); part; part = parts.shift())
      seen.push(...(await measured(JSON.stringify(part))));
  };
  await Promise.all(Array.from({ length: availableParallelism() }, work));
  return photoTable(seen);
}

/** @throws Error when the part broke off */
const measured = (part: string): Promise<Measured[]> =>
  new Promise((done, failed) => {
    const child = spawn(process.execPath, ['--import', 'tsx', PART, part], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let said = '';
    child.stdout.on('data', (text) => (said += String(text)));
    child.once('error', failed);
    child.once('close', (code) =>
      code === 0 ? done(JSON.parse(said) as Measured[]) : failed(new Error(`photos: ${part}`)),
    );
  });
