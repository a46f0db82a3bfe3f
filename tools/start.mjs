// npm start: the same server for real use. No demo data; the first visit makes the first admin and
// branch.
import { endPlainly } from './house.mjs';
import { bringUp } from './serve.mjs';

try {
  const { address } = await bringUp({ demo: false, port: Number(process.env.PORT ?? 8461) });
  process.stdout.write(
    `\n  Green Tally:  ${address}\n  First visit: make the first admin and branch there. Ctrl-C stops everything; data is kept.\n\n`,
  );
} catch (error) {
  endPlainly(error);
}
