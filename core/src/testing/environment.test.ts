import { resolve } from 'node:path';

/** What Jest makes for each test file of core and the server: see tools/jest. */
interface Surroundings {
  readonly global: Record<string, unknown>;
  teardown(): Promise<void>;
}
const made = (): Surroundings => {
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- a setting of Jest, loaded as Jest does
  const House = require(resolve(__dirname, '../../../tools/jest/environment.cjs')) as new (config: {
    projectConfig: object;
  }) => Surroundings;
  return new House({ projectConfig: { fakeTimers: {} } });
};

describe('what a test file leaves behind is not there for the next', () => {
  test('names it made are gone, those it put others in place of are as they were', async () => {
    const own = made();
    const { isFinite } = globalThis;
    own.global['leftBehind'] = 1;
    own.global['isFinite'] = () => true;
    await own.teardown();
    expect('leftBehind' in globalThis).toBe(false);
    expect(globalThis.isFinite).toBe(isFinite);
  });

  test('so is what it said of the surroundings, and how the process ends', async () => {
    process.env['SAID_BEFORE'] = 'as it was';
    const { exit } = process;
    const own = made();
    process.env['SAID_BEFORE'] = 'otherwise';
    process.env['SAID_SINCE'] = 'anew';
    process.exit = (() => undefined) as never;
    await own.teardown();
    expect([process.env['SAID_BEFORE'], process.env['SAID_SINCE']]).toEqual([
      'as it was',
      undefined,
    ]);
    expect(process.exit).toBe(exit);
    Reflect.deleteProperty(process.env, 'SAID_BEFORE');
  });

  test('an error of the language is one of the same language everywhere', () => {
    expect(() => resolve(7 as never)).toThrow(TypeError);
    expect(new Map()).toBeInstanceOf(globalThis.Map);
  });
});
