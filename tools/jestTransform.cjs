// Jest's transform for what computes: swc, and the language's own names bound once in each file. Jest runs
// a file in a context of its own, where every look-up of such a name is asked of the context first: that
// took half of the time of the tests. Names that a test may put another in place of (Date, timers, fetch)
// are left as they are.
const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const swc = require('@swc/jest');

const NAMES = [
  ...['Array', 'ArrayBuffer', 'BigInt', 'Boolean', 'Error', 'Float32Array', 'Float64Array'],
  ...['Infinity', 'Int32Array', 'JSON', 'Map', 'Math', 'NaN', 'Number', 'Object', 'Reflect'],
  ...['RegExp', 'Set', 'String', 'Symbol', 'TypeError', 'Uint8Array', 'Uint32Array', 'WeakMap'],
  ...['isFinite', 'isNaN', 'parseFloat', 'parseInt'],
];
const SELF = createHash('sha1')
  .update(readFileSync(require.resolve('./jestTransform.cjs')))
  .digest('hex');
const STRICT = '"use strict";';

/** Names a file uses and does not declare itself. */
const boundIn = (code) =>
  NAMES.filter(
    (name) =>
      new RegExp(`\\b${name}\\b`).test(code) &&
      !new RegExp(
        `\\b(?:class|const|function|let|var)\\s+${name}\\b|[{,]\\s*${name}\\s*\\}?\\s*=`,
      ).test(code),
  );

function withNames(code) {
  const names = boundIn(code);
  if (!names.length) return code;
  const strict = code.startsWith(STRICT) ? STRICT : '';
  return `${strict}const { ${names.join(', ')} } = globalThis;${code.slice(strict.length)}`;
}

const plain = swc.createTransformer({
  jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
  module: { type: 'commonjs' },
});

module.exports = {
  canInstrument: plain.canInstrument,
  process(...args) {
    const done = plain.process(...args);
    return { ...done, code: withNames(done.code) };
  },
  getCacheKey: (...args) => `${plain.getCacheKey(...args)}${SELF.slice(0, 12)}`,
};
