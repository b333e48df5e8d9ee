import express, { type NextFunction, type Request, type Response, type Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Logger } from 'pino';
import { PROTOCOL } from '../../src/core/monitor/protocol';
import type { Household } from './household';
import { openApiOf } from './openapi';
import { instrumentPage, listPage, SCREEN_CSS } from './page';
import type { Pairing } from './pairing';
import { instrumentsElsewhere, relay, type Relayed } from './relay';
import { Refusal } from './route';
import { routesOf } from './routes';
import { FAULT_IDS, SHOCK_IDS } from './standIns/faults';

/** Requests of one address in a minute, and codes it may try in ten. */
const PER_MINUTE = 600;
const CODES = 20;
const FAULT_MINUTES = 30;

export interface MountOptions {
  household: Household;
  pairing: Pairing;
  relayed: readonly Relayed[];
  log: Logger;
  now: () => number;
  /** For tests of what is limited. */
  perMinute?: number;
}

/** The path under which instruments answer: the app's own pages lie beside it. */
export const MOUNTED = `/instruments/${PROTOCOL}`;

const slow = (response: Response, seconds: number) =>
  response.status(429).json({
    error: `That is more than is answered at once. Ask again in ${seconds} seconds.`,
    retryAfter: seconds,
  });

function limit(windowMs: number, most: number) {
  return rateLimit({
    windowMs,
    limit: most,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) => slow(response, Math.ceil(windowMs / 1000)),
  });
}

/** A page of another site has no business here, even where it can reach this machine. */
function fromHereAlone(request: Request, _response: Response, next: NextFunction): void {
  const site = request.get('sec-fetch-site');
  const origin = request.get('origin');
  // What a browser says of the site counts; its origin is null where a page sends no referrer.
  const foreign =
    site === undefined
      ? origin !== undefined && hostOf(origin) !== request.get('host')
      : site !== 'same-origin' && site !== 'none';
  next(foreign ? new Refusal(403, 'Pages of other sites are not answered here.') : undefined);
}

const hostOf = (origin: string): string | null =>
  URL.canParse(origin) ? new URL(origin).host : null;

/** Mounts the instruments: routes by their schemas, screens, and what is relayed from elsewhere. */
export function instrumentsRouter(options: MountOptions): Router {
  const { household, pairing, relayed, log, now, perMinute = PER_MINUTE } = options;
  const { monitor } = household;
  const router = express.Router();
  const routes = routesOf({
    household,
    pairing,
    now,
    elsewhere: () => instrumentsElsewhere(relayed),
  });
  const document = openApiOf(routes);
  const guard = (request: Request, _response: Response, next: NextFunction) => {
    const [, token] = /^Bearer ([0-9a-f]{64})$/.exec(request.get('authorization') ?? '') ?? [];
    const known = token !== undefined && pairing.admits(String(request.params.instrument), token);
    next(
      known
        ? undefined
        : new Refusal(
            401,
            'This browser is not paired with it, or no longer. Pair it again by the code on its screen.',
          ),
    );
  };

  router.use(limit(60_000, perMinute));
  router.use((request, response, next) => {
    const began = performance.now();
    response.setHeader('Cache-Control', 'no-store');
    response.on('close', () => {
      // The path alone: neither token nor code stands in it.
      const { method, path } = request;
      log.info({
        method,
        path,
        status: response.statusCode,
        ms: Math.round(performance.now() - began),
      });
    });
    next();
  });
  router.use(fromHereAlone);
  router.get('/openapi.json', (_request, response) => void response.json(document));
  router.get('/screen.css', (_request, response) => void response.type('css').send(SCREEN_CSS));
  router.get(
    '/screens',
    (_request, response) => void response.type('html').send(listPage(household.instruments)),
  );
  router.post('/:instrument/pair', limit(600_000, CODES));
  // What lies behind another address is handed on whole, but for its screen, which it shows itself.
  router.use('/:instrument', express.json({ limit: '16kb' }), (request, response, next) => {
    const { instrument } = request.params;
    const found = relayed.find(({ prefix }) => instrument.startsWith(prefix));
    if (!found) return next();
    void relay(found, instrument, request.url === '/' ? '' : request.url, request, response);
  });
  const screen = (request: Request, response: Response) => {
    const found = household.instruments.find(({ id }) => id === request.params.instrument);
    if (!found) throw new Refusal(404, 'There is no instrument of that name here.');
    const code = pairing.codeOf(found.id, now());
    response
      .type('html')
      .send(instrumentPage(found, code, found.kind === 'monitor' ? monitor : null, now()));
  };
  router.get('/:instrument/screen', screen);
  router.post(
    '/:instrument/screen',
    express.urlencoded({ extended: false, limit: '1kb' }),
    (request, response) => {
      const { fault, shock } = (request.body ?? {}) as { fault?: unknown; shock?: unknown };
      const failing = FAULT_IDS.find((id) => id === fault);
      const shaken = SHOCK_IDS.find((id) => id === shock);
      if (failing) {
        if (monitor.shown().faults.includes(failing)) monitor.mend(failing);
        else monitor.fail(failing, FAULT_MINUTES);
      } else if (shaken) monitor[shaken]();
      else throw new Refusal(400, 'Nothing of that name can go wrong.');
      response.redirect(303, `${MOUNTED}/${String(request.params.instrument)}/screen`);
    },
  );
  for (const route of routes) route.mount(router, guard);
  router.use((_request, _response, next) =>
    next(new Refusal(404, 'Nothing answers at this address.')),
  );
  router.use(
    (
      error: Error & { status?: number; type?: string },
      _request: Request,
      response: Response,
      next: NextFunction,
    ) => {
      if (response.headersSent) return next(error);
      if (error instanceof Refusal) {
        response.status(error.status).json({
          error: error.message,
          ...(error.retryAfter === undefined ? {} : { retryAfter: error.retryAfter }),
        });
        return;
      }
      const status = error.status ?? 500;
      const words: Record<number, string> = {
        400: 'What was sent is no JSON, or the address cannot be read.',
        413: 'What was sent is too long: 16 kB are taken.',
      };
      if (status >= 500) log.error({ error: error.message });
      response.status(status).json({ error: words[status] ?? 'This could not be answered.' });
    },
  );
  return router;
}
