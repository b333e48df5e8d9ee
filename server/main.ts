import path from 'node:path';
import { existsSync } from 'node:fs';
import { createServer } from './app';
import { standIns } from './instruments/run';
import { listenFrom, shownHost, stopGracefully, whereToListen } from './listen';

const root = path.resolve(process.env.ZOARIUM_ROOT ?? 'dist');

if (!existsSync(path.join(root, 'index.html'))) {
  process.stderr.write('The app is not built yet. Run: npm run build\n');
  process.exit(1);
}

async function main(): Promise<void> {
  const { host, port: wanted } = whereToListen(process.env);
  const instruments = standIns(process.env);
  const names = (process.env.HOSTS ?? '').split(',').map((name: string) => name.trim());
  const app = createServer(root, instruments, names);
  const { port, server } = await listenFrom(app, host, wanted);
  stopGracefully(server, instruments.stop);
  const shown = shownHost(host);
  if (port !== wanted && wanted !== 0) {
    process.stdout.write(`Port ${wanted} is in use, so the next free one is taken.\n`);
  }
  process.stdout.write(`Zoarium:       http://${shown}:${port}/\n`);
  process.stdout.write(`With the demo: http://${shown}:${port}/demo\n`);
  process.stdout.write(`Instruments:   http://${shown}:${port}${instruments.path}/screens\n`);
  if (host !== '127.0.0.1' && host !== 'localhost') {
    process.stdout.write(
      'Over plain HTTP on another address, browsers withhold locks between tabs. Put it behind HTTPS for daily use.\n',
    );
  }
}

// Started by a script that ends, however it ends, the server ends with it.
process.on('disconnect', () => process.exit(0));

void main().catch((error: Error) => {
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
});
