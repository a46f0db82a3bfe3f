// Zod builds every schema with ways to write it as JSON Schema. The server does that; here they are
// only stubs, which keeps that part of Zod out of what is loaded at start.
const none = () => () => {
  throw new Error('JSON Schema is written by the server.');
};
module.exports = {
  createStandardJSONSchemaMethod: none,
  createToJSONSchemaMethod: none,
  toJSONSchema: none(),
};
