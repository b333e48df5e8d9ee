// npm run demo: installs and builds what is missing, then serves the app and names its addresses.
import { spawn } from 'node:child_process';
import { ensureBuild, ensurePackages } from './lib/ensure.mjs';

try {
  await ensurePackages();
  await ensureBuild();
  const server = spawn('npx', ['tsx', 'server/main.ts'], { stdio: 'inherit' });
  server.on('close', (code) => process.exit(code ?? 0));
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
} catch (error) {
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
}
