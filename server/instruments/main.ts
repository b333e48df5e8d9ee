import express from 'express';
import helmet from 'helmet';
import { listenFrom, shownHost, stopGracefully, whereToListen } from '../listen';
import { standIns } from './run';

const PORT = '8090';

/** The instruments apart from the app, whose server relays them: INSTRUMENTS=http://127.0.0.1:8090 npm run demo. */
async function main(): Promise<void> {
  const { host, port: wanted } = whereToListen({ ...process.env, PORT: process.env.PORT ?? PORT });
  const app = express();
  app.disable('x-powered-by');
  app.use(helmet({ strictTransportSecurity: false }));
  const instruments = standIns(process.env);
  app.use(instruments.path, instruments.router);
  const { server, port } = await listenFrom(app, host, wanted);
  stopGracefully(server, instruments.stop);
  process.stdout.write(
    `Instruments: http://${shownHost(host)}:${port}${instruments.path}/screens\n`,
  );
}

void main().catch((error: Error) => {
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
});
