const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const empty = { type: 'empty' };

// Icon packages RN Elements would pull in, and zod's many languages, are not used.
const unused = (context, name) =>
  /^(@react-native-vector-icons|react-native-vector-icons)\//.test(name) ||
  (/locales\/index\.js$/.test(name) && /zod[\\/]v4/.test(context.originModulePath));

// Four of the functions of simple-statistics are used; its bundle has them all and cannot be shaken.
const STATISTICS = join(__dirname, 'metro/simple-statistics.js');

config.resolver.resolveRequest = (context, name, platform) => {
  if (unused(context, name)) return empty;
  if (name === 'simple-statistics') return { type: 'sourceFile', filePath: STATISTICS };
  return context.resolveRequest(context, name, platform);
};

module.exports = config;
