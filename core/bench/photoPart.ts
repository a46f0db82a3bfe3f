import { photosMeasured, type Taken } from './photos';

// a part of the photos, for a processor of its own: seed and what is taken, as JSON; what came of each, as JSON
const { seed, taken } = JSON.parse(process.argv[2] ?? '') as { seed: number; taken: Taken };
process.stdout.write(JSON.stringify(photosMeasured(seed, taken)));
