import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';

function filesBelow(entry) {
  if (!existsSync(entry)) return [];
  if (statSync(entry).isFile()) return [entry];
  return readdirSync(entry)
    .sort()
    .flatMap((name) => filesBelow(path.join(entry, name)));
}

/** One hash over the contents of files and folders, to know whether anything in them changed. */
export function hashOf(entries) {
  const hash = createHash('sha256');
  for (const file of entries.flatMap(filesBelow)) {
    hash.update(file).update('\0').update(readFileSync(file)).update('\0');
  }
  return hash.digest('hex');
}
