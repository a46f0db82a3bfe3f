// How Jest loads files for core and server: in the realm of its process, where a look-up of Math or Map
// costs what it costs in the product, and a library is loaded once for all test files of a process. Our own
// modules are loaded anew for each test file, as Jest does it, so that nothing one file sets meets another.
const { Script } = require('node:vm');
const { default: Runtime } = require('jest-runtime');

const LIBRARY = /[\\/]node_modules[\\/]/;

class HouseRuntime extends Runtime {
  createScriptFromCode(source, filename) {
    const script = new Script(this.wrapCodeInModuleWrapper(source), { filename });
    return { runInContext: () => script.runInThisContext() };
  }

  _loadModule(module, from, name, path, options, registry) {
    if (options?.isInternalModule || !LIBRARY.test(path)) {
      super._loadModule(module, from, name, path, options, registry);
      return;
    }
    module.exports = require(path);
    module.loaded = true;
  }
}

module.exports = { __esModule: true, default: HouseRuntime };
