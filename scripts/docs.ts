import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { carryFileJsonSchema } from '../src/core/carry/jsonSchema';
import { FILE_VERSION } from '../src/core/records/file/parse';
import { logFileJsonSchema } from '../src/core/records/file/jsonSchema';
import { TERMS } from '../src/features/glossary/terms';

/** Documents that are written from the code, so that they can't drift from it. */
const GENERATED: Record<string, string> = {
  [`docs/schema/log-v${FILE_VERSION}.schema.json`]: `${JSON.stringify(logFileJsonSchema(), null, 2)}\n`,
  [`docs/schema/carry-v${FILE_VERSION}.schema.json`]: `${JSON.stringify(carryFileJsonSchema(), null, 2)}\n`,
  'docs/glossary.md': [
    '# Glossary',
    '',
    'One word for one thing, in code, on screen, in files and here. Written from `src/features/glossary/terms.ts` by `npm run docs`.',
    '',
    ...TERMS.flatMap(({ term, meaning }) => [`**${term}**: ${meaning}`, '']),
  ]
    .join('\n')
    .trimEnd()
    .concat('\n'),
};

const FROZEN = 'docs/schema/frozen.json';
const hash = createHash('sha256').update(JSON.stringify(logFileJsonSchema())).digest('hex');
const frozen = JSON.parse(readFileSync(FROZEN, 'utf8')) as Record<string, string>;

// A version that others may have files of is never changed again: the last commit of a piece of work that
// raised it freezes it, and what comes after takes the next number and its migration.
if (process.argv.includes('--freeze')) {
  writeFileSync(FROZEN, `${JSON.stringify({ ...frozen, [FILE_VERSION]: hash }, null, 2)}\n`);
}

const checking = process.argv.includes('--check');
if (checking && frozen[FILE_VERSION] !== undefined && frozen[FILE_VERSION] !== hash) {
  process.stderr.write(
    `The schema of format version ${FILE_VERSION} is frozen and was changed. Raise FILE_VERSION and add a migration.\n`,
  );
  process.exitCode = 1;
}
for (const [file, text] of Object.entries(GENERATED)) {
  if (!checking) {
    mkdirSync(path.dirname(file), { recursive: true });
    writeFileSync(file, text);
    continue;
  }
  let present = '';
  try {
    present = readFileSync(file, 'utf8');
  } catch {
    // A missing file is as stale as a wrong one.
  }
  if (present !== text) {
    process.stderr.write(`${file} is not what the code says. Run: npm run docs\n`);
    process.exitCode = 1;
  }
}
