// Which files of src a folder takes code from, by its imports and theirs: types leave no code behind.
const { existsSync, readdirSync, readFileSync, statSync } = require('node:fs');
const path = require('node:path');

const ROOT = path.resolve(__dirname, '../..');
/** Imports and exports from elsewhere that are not of types alone, to the end of their clause, and what is awaited. */
const TAKES_CODE = [
  /^(?:import|export)\s+(?!type\b)(?:[^;'"]*?\sfrom\s+)?['"]([^'"]+)['"]/gm,
  /(?<!typeof )\bimport\(\s*['"]([^'"]+)['"]/g,
];

/**
 * What a source takes code from, as it names it.
 * @param {string} source
 * @returns {string[]}
 */
const takenBy = (source) =>
  TAKES_CODE.flatMap((form) => [...source.matchAll(form)].map(([, specifier]) => specifier));

function fileOf(specifier, from) {
  const base = specifier.startsWith('@/')
    ? path.join(ROOT, 'src', specifier.slice(2))
    : specifier.startsWith('.')
      ? path.resolve(path.dirname(from), specifier)
      : null;
  if (base === null) return null;
  return (
    [`${base}.ts`, `${base}.tsx`, path.join(base, 'index.ts'), base].find(
      (file) => existsSync(file) && statSync(file).isFile(),
    ) ?? null
  );
}

/**
 * Files that run where a folder's code runs, tests left out.
 * @param {string} folder from the root of the project
 * @returns {string[]} from the root of the project, in order
 */
function reachOf(folder) {
  const reached = new Set();
  const waiting = readdirSync(path.join(ROOT, folder), { recursive: true })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .map((file) => path.join(ROOT, folder, file));
  for (let file = waiting.pop(); file !== undefined; file = waiting.pop()) {
    if (reached.has(file)) continue;
    reached.add(file);
    for (const specifier of takenBy(readFileSync(file, 'utf8'))) {
      const found = fileOf(specifier, file);
      if (found) waiting.push(found);
    }
  }
  return [...reached].map((file) => path.relative(ROOT, file).split(path.sep).join('/')).sort();
}

module.exports = { reachOf, takenBy };
