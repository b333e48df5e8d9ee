// npm run demo: installs and builds what is missing, then serves the app and names its addresses.
import { spawn } from 'node:child_process';
import { ensureBuild, ensurePackages } from './lib/ensure.mjs';

try {
  await ensurePackages();
  await ensureBuild();
  // One process, and a channel to it: whatever ends this script, even a kill, ends the server.
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
  });
  server.on('close', (code) => process.exit(code ?? 0));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => server.kill(signal));
} catch (error) {
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
}
