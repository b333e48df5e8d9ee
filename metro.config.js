const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

// Zod bundles the messages of some forty languages; the app words its own, so only English stays.
const englishOnly = path.join(__dirname, 'scripts', 'zod-locales.js');
config.resolver.resolveRequest = (context, moduleName, platform) => {
  const fromZod = context.originModulePath.includes(`${path.sep}zod${path.sep}`);
  if (fromZod && /locales\/index\.(js|cjs)$/.test(moduleName)) {
    return { type: 'sourceFile', filePath: englishOnly };
  }
  return context.resolveRequest(context, moduleName, platform);
};

module.exports = config;
