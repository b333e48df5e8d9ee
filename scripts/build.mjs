// npm run build: the web app in dist.
import { ensureBuild, ensurePackages } from './lib/ensure.mjs';

try {
  await ensurePackages();
  const { built } = await ensureBuild();
  process.stdout.write(built ? 'Built into dist.\n' : 'dist is current.\n');
} catch (error) {
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
}
