import { readdirSync } from 'node:fs';
import path from 'node:path';

/** Files of one folder that a newcomer takes in at a glance. */
const MOST = 12;
/** Folders whose files are rows of one registry: as many as there are rows. */
const REGISTRIES = new Set(['records/kinds', 'records/schema', 'runs/emergency']);

/** Folders of the core with more modules than that, tests aside. */
function crowded(root: string): string[] {
  const folders = readdirSync(root, { recursive: true, withFileTypes: true });
  const counts = new Map<string, number>();
  for (const entry of folders) {
    if (!entry.name.endsWith('.ts') || entry.name.endsWith('.test.ts')) continue;
    const folder = path.relative(root, entry.parentPath);
    counts.set(folder, (counts.get(folder) ?? 0) + 1);
  }
  return [...counts].flatMap(([folder, count]) => (count > MOST ? [folder] : []));
}

test('no folder of the core is a crowd, but for rows of one registry', () => {
  expect(crowded(path.resolve('src/core')).filter((folder) => !REGISTRIES.has(folder))).toEqual([]);
  // They are listed because they are crowded, and for nothing else.
  for (const folder of REGISTRIES) expect(crowded(path.resolve('src/core'))).toContain(folder);
});
