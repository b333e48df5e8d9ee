import type { Express } from 'express';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';

const TRIES = 20;

export interface Listening {
  server: Server;
  port: number;
}

/**
 * Where to listen, from the environment: this machine alone unless HOST names another address. An
 * empty HOST or PORT is as good as none.
 * @throws Error when PORT is no port
 */
export function whereToListen(env: Readonly<Record<string, string | undefined>>): {
  host: string;
  port: number;
} {
  const host = env.HOST?.trim() || '127.0.0.1';
  const written = env.PORT?.trim() || '8080';
  const port = Number(written);
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw new Error(`PORT is "${written}", which is no port. Give a number from 0 to 65535.`);
  }
  return { host, port };
}

/** A host as it stands in an address: one of IPv6 in brackets, every address as this machine. */
export function shownHost(host: string): string {
  if (host === '0.0.0.0' || host === '::') return 'localhost';
  return host.includes(':') ? `[${host}]` : host;
}

/** Listens on the port, or on the next free one after it. */
export async function listenFrom(app: Express, host: string, port: number): Promise<Listening> {
  for (let offset = 0; offset < TRIES; offset += 1) {
    const server = await tryPort(app, host, port === 0 ? 0 : port + offset);
    if (server) return { server, port: (server.address() as AddressInfo).port };
  }
  throw new Error(`No free port between ${port} and ${port + TRIES - 1}. Name another with PORT.`);
}

function tryPort(app: Express, host: string, port: number): Promise<Server | null> {
  return new Promise((resolve, reject) => {
    const server = app.listen(port, host, (error?: Error) => {
      if (!error) resolve(server);
      else if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE') resolve(null);
      else reject(error);
    });
  });
}

/** Ends once what was asked is answered: streams are ended first, so that nothing waits for them. */
export function stopGracefully(server: Server, endStreams: () => void): void {
  const stop = () => {
    endStreams();
    server.close(() => process.exit(0));
    server.closeIdleConnections();
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
}
