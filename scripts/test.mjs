// npm test: installs what is missing, then checks types, lint, format and dependencies, runs the
// unit tests (those that name a zone in another), builds, runs the browser tests, and counts.
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensureBuild, ensureChromium, ensurePackages } from './lib/ensure.mjs';
import { run } from './lib/run.mjs';

/** Zones of a machine: half an hour off, and a day ahead with its summer in winter. Component tests have UTC. */
const [ZONE, OTHER_ZONE] = ['America/St_Johns', 'Pacific/Auckland'];
const NAMES_A_ZONE = /'(Africa|America|Asia|Atlantic|Australia|Europe|Pacific)\//;

/**
 * Suites that name a zone, whichever they are: run on a machine that is a day ahead. All of them are told moments
 * and ask no clock of the machine, which the linter holds; so each runs once, in one of two zones.
 */
function suitesOfZones() {
  return ['src', 'cli', 'server', 'scripts'].flatMap((folder) =>
    readdirSync(folder, { recursive: true })
      .map((file) => path.join(folder, file))
      .filter((file) => file.endsWith('.test.ts') && NAMES_A_ZONE.test(readFileSync(file, 'utf8'))),
  );
}

/** The compiler that checks types in a third of the time; the linter needs the one with an interface. */
const TYPE_CHECKER = 'node_modules/typescript-native/bin/tsc';

let passed = 0;
let failed = 0;

function report(name, ok, output, counts = ok ? [1, 0] : [0, 1]) {
  passed += counts[0];
  failed += counts[1];
  process.stdout.write(`${ok ? 'ok  ' : 'FAIL'} ${name}\n`);
  if (!ok) process.stdout.write(`${output.trim().split('\n').slice(-120).join('\n')}\n`);
}

async function check(name, command, args) {
  const { code, output } = await run(command, args);
  report(name, code === 0, output);
}

async function jest(name, args, zone) {
  const file = path.join(os.tmpdir(), `zoarium-jest-${process.pid}.json`);
  rmSync(file, { force: true });
  const { code, output } = await run(
    'npx',
    ['jest', '--json', `--outputFile=${file}`, '--silent', ...args],
    { env: { TZ: zone, CI: '1' } },
  );
  if (!existsSync(file)) return report(name, false, output);
  const result = JSON.parse(readFileSync(file, 'utf8'));
  rmSync(file, { force: true });
  const broken = result.testResults.filter(
    (s) => s.status === 'failed' && s.assertionResults.length === 0,
  );
  const fails = result.numFailedTests + broken.length;
  report(`${name}: ${result.numPassedTests} tests`, code === 0 && fails === 0, output, [
    result.numPassedTests,
    fails || (code === 0 ? 0 : 1),
  ]);
}

async function browserTests(chromium) {
  const file = path.join(os.tmpdir(), `zoarium-e2e-${process.pid}.json`);
  rmSync(file, { force: true });
  const { code, output } = await run('npx', ['playwright', 'test', '--reporter=list,json'], {
    env: { CHROMIUM: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: file, FORCE_COLOR: '0' },
  });
  if (!existsSync(file)) return report('browser tests', false, output);
  const { stats } = JSON.parse(readFileSync(file, 'utf8'));
  rmSync(file, { force: true });
  const fine = stats.expected + stats.flaky;
  report(
    `browser tests: ${fine} tests${stats.flaky ? `, ${stats.flaky} at the second try` : ''}`,
    code === 0,
    output,
    [fine, stats.unexpected || (code === 0 ? 0 : 1)],
  );
}

try {
  await ensurePackages();
  await check('types', 'node', [TYPE_CHECKER, '--noEmit', '-p', '.']);
  await check('lint', 'npx', ['oxlint', '-c', 'oxlint.config.mjs', '--deny-warnings']);
  await check('format', 'npx', ['oxfmt', '--check']);
  await check('dependency rules', 'npx', [
    'depcruise',
    'src',
    'cli',
    'server',
    '--config',
    '.dependency-cruiser.cjs',
  ]);
  await check('docs are current', 'npx', ['tsx', 'scripts/docs.ts', '--check']);
  await check('adding takes the files that the document says', 'npx', [
    'tsx',
    'scripts/extending.ts',
  ]);
  await check('nothing is dead', 'npx', ['knip']);
  const core = ['--selectProjects', 'core'];
  const ofZones = suitesOfZones();
  const others = ofZones.flatMap((file) => ['--testPathIgnorePatterns', `/${file}$`]);
  await jest('unit tests', [...core, ...others], ZONE);
  await jest(
    `unit tests that name a zone, ${OTHER_ZONE}`,
    [...core, '--runTestsByPath', ...ofZones],
    OTHER_ZONE,
  );
  await jest('component tests', ['--selectProjects', 'interface'], 'UTC');
  try {
    await ensureBuild();
    report('build', true, '');
    await browserTests(await ensureChromium());
  } catch (error) {
    report('build and browser', false, error.message);
  }
} catch (error) {
  report('set-up', false, error.message);
}

process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
