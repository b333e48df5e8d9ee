import path from 'node:path';
import type { Router } from 'express';
import { pino } from 'pino';
import { Household, USUAL } from './household';
import { instrumentsRouter, MOUNTED } from './mount';
import { Pairing } from './pairing';
import { relayedFrom } from './relay';

/** How often the made-up instruments are told that time has gone on. */
const TICK_MS = 200;

/** A whole number from the environment. @throws Error for what is none */
function count(written: string | undefined, usual: number, name: string): number {
  if (!written?.trim()) return usual;
  const value = Number(written);
  if (!(value >= 0 && value <= 100_000))
    throw new Error(`${name} is "${written}": give a number from 0 to 100000.`);
  return value;
}

/**
 * The made-up instruments, wired to the clock. From the environment: INSTRUMENTS are addresses to relay, DAYS and
 * SPEED of the past that the monitor brings along, TOKENS the file of what was paired, LOG_LEVEL.
 */
export function standIns(env: Readonly<Record<string, string | undefined>>): {
  path: string;
  router: Router;
  stop: () => void;
} {
  const now = () => Date.now();
  const household = new Household(
    {
      seed: USUAL.seed,
      pastDays: count(env.DAYS, USUAL.pastDays, 'DAYS'),
      speed: Math.max(1, count(env.SPEED, USUAL.speed, 'SPEED')),
    },
    now(),
  );
  const ticking = setInterval(() => household.monitor.advance(now()), TICK_MS);
  const router = instrumentsRouter({
    household,
    pairing: new Pairing(path.resolve(env.TOKENS ?? '.zoarium/tokens.json')),
    relayed: relayedFrom(env.INSTRUMENTS),
    log: pino({ level: env.LOG_LEVEL ?? 'warn' }),
    now,
  });
  const stop = () => {
    clearInterval(ticking);
    household.monitor.restart();
  };
  return { path: MOUNTED, router, stop };
}
