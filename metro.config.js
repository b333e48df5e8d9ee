const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/** Files of Zod that the browser bundle does without, and what stands in for each. */
const STAND_INS = [
  [/locales\/index\.(js|cjs)$/, 'zodLocales.js'],
  [
    /\/(compile|from-json-schema|to-json-schema|json-schema-processors|json-schema-generator)\.js$/,
    'zodUnused.js',
  ],
];

config.resolver.resolveRequest = (context, moduleName, platform) => {
  if (context.originModulePath.includes(`${path.sep}zod${path.sep}`)) {
    const found = STAND_INS.find(([pattern]) => pattern.test(moduleName));
    if (found) {
      return { type: 'sourceFile', filePath: path.join(__dirname, 'scripts', 'bundle', found[1]) };
    }
  }
  return context.resolveRequest(context, moduleName, platform);
};

module.exports = config;
