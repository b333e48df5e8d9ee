// Turns sources into what Jest runs: by esbuild, in a tenth of Babel's time, but where Babel is given
// for suites whose mocks have to stand before their imports and for sources with types of Flow.
const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const path = require('node:path');
const babel = require('babel-jest').default;
const esbuild = require('esbuild');

const LOADERS = { '.ts': 'ts', '.tsx': 'tsx', '.js': 'jsx', '.jsx': 'jsx', '.mjs': 'js' };
/** Jest watches over its globals, which makes each look at one slow: sources look once. */
const GLOBALS = `const { ${[
  ...['Array', 'Boolean', 'Float32Array', 'Float64Array', 'Infinity', 'Int32Array', 'JSON', 'Map'],
  ...['Math', 'NaN', 'Number', 'Object', 'Set', 'String', 'Uint8Array', 'Uint32Array', 'undefined'],
].join(', ')} } = globalThis;`;
const NEEDS_BABEL = /\bjest\.mock\(|@flow\b/;
const OWN = createHash('sha1')
  .update(readFileSync(__filename))
  .update(esbuild.version)
  .digest('hex');

/** @param {{ babel?: object }} options those of babel-jest, for what is left to it; nothing is without them */
exports.createTransformer = (options = {}) => {
  const slow = options.babel && babel.createTransformer(options.babel);
  const isSlow = (source) => slow && NEEDS_BABEL.test(source);
  return {
    canInstrument: false,
    getCacheKey: (source, file, asked) =>
      isSlow(source)
        ? slow.getCacheKey(source, file, asked)
        : createHash('sha1').update(OWN).update(file).update(source).digest('hex'),
    process: (source, file, asked) =>
      isSlow(source)
        ? slow.process(source, file, asked)
        : esbuild.transformSync(source, {
            loader: LOADERS[path.extname(file)],
            format: 'cjs',
            target: 'node20',
            jsx: 'automatic',
            sourcemap: 'inline',
            // By the ending of a module, a default would be taken as Node takes it: all that is exported.
            sourcefile: file.replace(/\.mjs$/, '.js'),
            // Node runs no module in Jest's sandbox: a dynamic import is a plain one.
            supported: { 'dynamic-import': false },
            banner: file.includes('node_modules') ? '' : GLOBALS,
          }),
  };
};
