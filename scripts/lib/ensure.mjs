// Brings a fresh clone to where it can build and test, and does nothing when it is there already.
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { hashOf } from './hash.mjs';
import { has, run } from './run.mjs';
import { writeServiceWorker } from './serviceWorker.mjs';

const STAMPS = path.join('node_modules', '.cache', 'zoarium');
/** What the built app depends on. */
const SOURCES = [
  'entry.ts',
  'src',
  'public',
  'scripts/bundle',
  'scripts/lib/ensure.mjs',
  'scripts/lib/serviceWorker.mjs',
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'tsconfig.json',
  'package-lock.json',
];

function stampIs(name, value) {
  const file = path.join(STAMPS, name);
  return existsSync(file) && readFileSync(file, 'utf8') === value;
}

function stamp(name, value) {
  mkdirSync(STAMPS, { recursive: true });
  writeFileSync(path.join(STAMPS, name), value);
}

/** Installs what the lock file names, unless it is installed. Throws with npm's words on failure. */
export async function ensurePackages() {
  const wanted = hashOf(['package-lock.json']);
  if (stampIs('packages', wanted)) return;
  process.stdout.write('Installing packages (a minute or two the first time) …\n');
  const { code, output } = await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  if (code !== 0) throw new Error(`npm ci failed:\n${output}`);
  stamp('packages', wanted);
}

/** Builds the web app into dist, unless its sources are those of the last build. */
export async function ensureBuild() {
  const wanted = hashOf(SOURCES);
  if (stampIs('build', wanted) && existsSync(path.join('dist', 'index.html'))) {
    return { built: false, output: '' };
  }
  process.stdout.write('Building the app …\n');
  rmSync('dist', { recursive: true, force: true });
  const { code, output } = await run('npx', ['expo', 'export', '-p', 'web'], {
    env: { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' },
  });
  if (code !== 0 || !existsSync(path.join('dist', 'index.html'))) {
    throw new Error(`The build failed:\n${output}`);
  }
  // Names the code in the page: what an older build worked out and kept is not taken for its own.
  const page = readFileSync('dist/index.html', 'utf8');
  if (!page.includes('</head>')) throw new Error('The page of the build has no head to mark.');
  const mark = `<meta name="build" content="${wanted.slice(0, 16)}" />`;
  writeFileSync('dist/index.html', page.replace('</head>', `${mark}</head>`));
  await writeServiceWorker('dist');
  stamp('build', wanted);
  return { built: true, output };
}

// The one without a window does the same for three quarters of the processor time.
const CHROMIUM = ['chromium-headless-shell', 'chromium', 'chromium-browser', 'google-chrome'];

/** The path of a Chromium, installing Debian's when root. Throws with an instruction otherwise. */
export async function ensureChromium() {
  const named = process.env.CHROMIUM;
  if (named) return named;
  const find = async () => {
    const found = CHROMIUM.find(has);
    return found ? (await run('sh', ['-c', `command -v ${found}`])).output.trim() : null;
  };
  const present = await find();
  if (present) return present;
  if (process.getuid?.() === 0 && has('apt-get')) {
    process.stdout.write('Installing Chromium …\n');
    await run('apt-get', ['update', '-qq']);
    let said = '';
    for (const name of ['chromium-headless-shell', 'chromium']) {
      const { output } = await run(
        'apt-get',
        ['install', '-y', '-qq', '--no-install-recommends', name],
        { env: { DEBIAN_FRONTEND: 'noninteractive' } },
      );
      said += output;
      const installed = await find();
      if (installed) return installed;
    }
    throw new Error(`Chromium could not be installed:\n${said}`);
  }
  throw new Error(
    'The browser tests need Chromium. Install it (on Debian: sudo apt-get install chromium), or name one with CHROMIUM=/path/to/it.',
  );
}
