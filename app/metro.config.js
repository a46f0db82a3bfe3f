const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const empty = { type: 'empty' };

// Icon packages RN Elements would pull in, and zod's many languages, are not used.
const unused = (context, name) =>
  /^(@react-native-vector-icons|react-native-vector-icons)\//.test(name) ||
  (/locales\/index\.js$/.test(name) && /zod[\\/]v4/.test(context.originModulePath));

config.resolver.resolveRequest = (context, name, platform) =>
  unused(context, name) ? empty : context.resolveRequest(context, name, platform);

module.exports = config;
