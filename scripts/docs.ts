import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { FILE_VERSION } from '../src/core/records/parse';
import { logFileJsonSchema } from '../src/core/records/jsonSchema';
import { TERMS } from '../src/features/glossary/terms';

/** Documents that are written from the code, so that they can't drift from it. */
const GENERATED: Record<string, string> = {
  [`docs/schema/log-v${FILE_VERSION}.schema.json`]: `${JSON.stringify(logFileJsonSchema(), null, 2)}\n`,
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

const checking = process.argv.includes('--check');
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
