// The surroundings of a test file in core and server: those of the process. What the file put into them is
// taken out again at its end.
const { ModernFakeTimers } = require('@jest/fake-timers');
const { ModuleMocker } = require('jest-mock');

const ownOf = (object) =>
  new Map(
    Reflect.ownKeys(object).map((key) => [key, Object.getOwnPropertyDescriptor(object, key)]),
  );

module.exports = class HouseEnvironment {
  constructor({ projectConfig }) {
    this.global = globalThis;
    this.globals = ownOf(globalThis);
    this.env = { ...process.env };
    this.exit = process.exit;
    this.moduleMocker = new ModuleMocker(globalThis);
    this.fakeTimers = null;
    this.fakeTimersModern = new ModernFakeTimers({ config: projectConfig, global: globalThis });
  }

  exportConditions() {
    return ['node', 'node-addons'];
  }

  /** Asked for by Jest; `HouseRuntime` runs in the process's own. */
  getVmContext() {
    return globalThis;
  }

  async setup() {}

  async teardown() {
    this.moduleMocker.restoreAllMocks();
    this.fakeTimersModern.dispose();
    process.exit = this.exit;
    for (const name of Object.keys(process.env))
      if (!(name in this.env)) Reflect.deleteProperty(process.env, name);
    Object.assign(process.env, this.env);
    for (const key of Reflect.ownKeys(globalThis)) {
      const was = this.globals.get(key);
      if (!was) Reflect.deleteProperty(globalThis, key);
      else if (was.configurable) Object.defineProperty(globalThis, key, was);
    }
  }
};
