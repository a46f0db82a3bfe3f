// What npm test wants later, made while the code is read: the demo's database, filled and stopped, and
// the web app. Prints "home" and the database's home; whoever asked for it removes it.
import { endPlainly, ensureApp } from './house.mjs';
import { demoToCopy } from './place.mjs';

try {
  const { home } = await demoToCopy(54_900);
  process.stdout.write(`home ${home}\n`);
  if (process.argv.includes('app')) ensureApp();
} catch (error) {
  endPlainly(error);
}
