// What storms have in common: what they are asked with, tidying up whatever breaks, phones that send.
import { endPlainly } from '../house.mjs';
import { compare, newScript } from './compare.mjs';
import { randomFrom } from './random.mjs';
import { aPicture, placesToRead, season } from './season.mjs';

/** A number of the command line: `--faults 40`. */
export function given(name, usual) {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
}

/**
 * Runs something that starts processes: what it says is to be ended is ended, last first, however it
 * went.
 * @param {(ends: (() => unknown)[]) => Promise<void>} work
 */
export async function tidily(work) {
  const ends = [];
  let ending;
  const end = () =>
    (ending ??= (async () => {
      for (const last of ends.splice(0).reverse()) await last();
    })());
  const leave = (code) => void end().then(() => process.exit(code));
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => leave(130));
  for (const broken of ['uncaughtException', 'unhandledRejection'])
    process.once(broken, (error) => {
      endPlainly(error);
      leave(1);
    });
  try {
    await work(ends);
  } catch (error) {
    endPlainly(error);
  } finally {
    await end();
  }
  // a connection kept open to something that was killed holds nobody back
  process.exit();
}

/** Phones that send without pause until it is over; at the end what they sent is compared. */
export async function sending(phones, seed) {
  const places = await placesToRead(phones);
  const script = newScript();
  const storm = { over: false };
  const picture = await aPicture();
  let broken;
  const seasons = phones.map((me, i) =>
    season({
      ...{ me, places, storm, script, picture },
      random: randomFrom(seed * 1000 + i),
    }).catch((error) => {
      broken ??= error;
      storm.over = true;
    }),
  );
  return {
    ...{ places, script },
    /** whether a phone has given up, which ends it all */
    over: () => storm.over,
    end: async () => {
      storm.over = true;
      await Promise.all(seasons);
      if (broken) throw broken;
    },
    /** What the database holds of it, told; fails the command where it is not all and only that. */
    tell: async (url) => {
      const { faults, stored } = await compare(url, script);
      const many = (what) => faults.filter((f) => f.startsWith(what)).length;
      process.stdout.write(
        `  ${script.readings.size} readings, ${script.walks.size} walks, ${script.ticks.size} ticks, ${script.photos.size} photos were answered; ${script.refused.size} readings of a clock that had jumped refused\n` +
          `  ${stored} readings stored: ${many('lost')} lost, ${many('doubled')} doubled, ${many('changed')} changed\n`,
      );
      faults.slice(0, 10).forEach((f) => process.stdout.write(`  ✗ ${f}\n`));
      if (faults.length || !script.readings.size) process.exitCode = 1;
    },
  };
}

/** A write of its own, to see whether writes are answered. */
export const tickOf = (id, machineId, at) => ({
  ticks: [
    {
      id,
      machineId,
      key: `task|watch|${id}`,
      done: true,
      at: `${at}T00:00:00.000Z`,
      by: 'x',
      note: '',
    },
  ],
});
