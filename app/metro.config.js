const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const empty = { type: 'empty' };

// Icon packages RN Elements would pull in, zod's many languages, its reading of JSON Schema, lists in
// sections and the browser's own check box are not used.
const unused = (context, name) =>
  /^(@react-native-vector-icons|react-native-vector-icons)\//.test(name) ||
  /^\.\/exports\/(CheckBox|ProgressBar|SectionList)$/.test(name) ||
  /exports\/SectionList$/.test(name) ||
  (/(locales\/index|from-json-schema)\.js$/.test(name) &&
    /zod[\\/]v4/.test(context.originModulePath));

// Four of the functions of simple-statistics are used; its bundle has them all and cannot be shaken.
const STATISTICS = join(__dirname, 'metro/simple-statistics.js');

config.resolver.resolveRequest = (context, name, platform) => {
  if (unused(context, name)) return empty;
  if (name === 'simple-statistics') return { type: 'sourceFile', filePath: STATISTICS };
  return context.resolveRequest(context, name, platform);
};

module.exports = config;
