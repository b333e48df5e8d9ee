// A module of ours and all it imports as one script, which gives a page what it exports by a name.
import { buildSync } from 'esbuild';

/**
 * @param {string} file from the root of the project
 * @param {string} name of the page's that holds its exports
 * @returns {string} the script
 */
export function scriptOf(file, name) {
  const { outputFiles } = buildSync({
    entryPoints: [file],
    bundle: true,
    format: 'iife',
    globalName: name,
    write: false,
  });
  return outputFiles[0].text;
}
