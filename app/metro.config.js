const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const empty = { type: 'empty' };

// Icon packages RN Elements would pull in, zod's many languages, its JSON Schema, lists in
// sections, the browser's own check box and the router's list of all pages are not used.
const unused = (context, name) =>
  /^(@react-native-vector-icons|react-native-vector-icons)\//.test(name) ||
  /^\.\/exports\/(CheckBox|ProgressBar|SectionList)$/.test(name) ||
  /exports\/SectionList$/.test(name) ||
  /\/views\/Sitemap$/.test(name) ||
  (/(locales\/index|from-json-schema|json-schema-(processors|generator))\.js$/.test(name) &&
    /zod[\\/]v4/.test(context.originModulePath));

const JSON_SCHEMA = join(__dirname, 'metro/zod-json-schema.js');

// Four of the functions of simple-statistics are used; its bundle has them all and cannot be shaken.
const STATISTICS = join(__dirname, 'metro/simple-statistics.js');

config.resolver.resolveRequest = (context, name, platform) => {
  if (unused(context, name)) return empty;
  if (/\/to-json-schema\.js$/.test(name) && /zod[\\/]v4/.test(context.originModulePath))
    return { type: 'sourceFile', filePath: JSON_SCHEMA };
  if (name === 'simple-statistics') return { type: 'sourceFile', filePath: STATISTICS };
  return context.resolveRequest(context, name, platform);
};

module.exports = config;
