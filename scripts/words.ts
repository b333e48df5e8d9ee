import { shippedFiles, wordsOf } from '../src/testing/sentences';

/** Prints what a person reads in the app, file by file, for reading through: `npm run words [-- part of a path]`. */
const [part = ''] = process.argv.slice(2);
let count = 0;
for (const file of shippedFiles().filter((one) => one.includes(part))) {
  const { sentences } = wordsOf(file);
  if (sentences.length === 0) continue;
  process.stdout.write(`\n${file}\n`);
  for (const { line, text } of sentences) process.stdout.write(`  ${line}: ${text}\n`);
  count += sentences.length;
}
process.stdout.write(`\n${count} sentences and labels\n`);
