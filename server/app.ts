import compression from 'compression';
import express, {
  type Express,
  type NextFunction,
  type Request,
  type Response,
  type Router,
} from 'express';
import helmet from 'helmet';
import { realpathSync } from 'node:fs';
import { isIP } from 'node:net';
import path from 'node:path';

/** The hash of an empty style element, which react-native-web inserts before it fills it by script. */
const EMPTY_STYLE = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";
const YEAR_SECONDS = 31_536_000;
/** What the app uses of a device is its screen that stays awake; everything else is refused. */
const PERMISSIONS = [
  'accelerometer',
  'camera',
  'display-capture',
  'geolocation',
  'gyroscope',
  'magnetometer',
  'microphone',
  'midi',
  'payment',
  'serial',
  'usb',
]
  .map((name) => `${name}=()`)
  .concat('screen-wake-lock=(self)')
  .join(', ');

/** Refuses what a link in the folder would lead to outside of it. */
function withinRoot(root: string) {
  const real = realpathSync(root);
  return (request: Request, response: Response, next: NextFunction) => {
    const found = (() => {
      try {
        return realpathSync(path.join(real, decodeURIComponent(request.path)));
      } catch {
        // Nothing of that name, or an address that cannot be read: for whoever comes next to say.
        return real;
      }
    })();
    if (found === real || found.startsWith(real + path.sep)) return next();
    response.status(404).type('text/plain').send('Not found');
  };
}

/**
 * Whether a request names this server by an address or a name of its own. A foreign name that leads here is how a
 * page of another site would reach a server at home.
 */
function ownHost(names: readonly string[]) {
  return (request: Request, response: Response, next: NextFunction) => {
    const name = request.hostname.replace(/^\[|\]$/g, '');
    if (isIP(name) !== 0 || name === 'localhost' || names.includes(name)) return next();
    response
      .status(421)
      .type('text/plain')
      .send('This server does not answer to that name. Name it in HOSTS when starting it.');
  };
}

interface Mounted {
  path: string;
  router: Router;
}

/**
 * Serves the built app: compressed, hashed files cached for ever, the page itself never, and any
 * address without a file ending answered by the app, which knows its own routes.
 * @param root folder of the export
 * @param mounted what answers beside the app, neither compressed nor kept
 * @param names names besides `localhost` and addresses that the server answers to
 */
export function createServer(
  root: string,
  mounted: Mounted | null = null,
  names: readonly string[] = [],
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(ownHost(names));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          styleSrc: ["'self'", EMPTY_STYLE],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          // The screens of instruments have buttons; the app itself sends no form.
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // Served over plain HTTP on one's own machine, a promise of HTTPS would lock the browser out.
      strictTransportSecurity: false,
      crossOriginEmbedderPolicy: false,
      referrerPolicy: { policy: 'no-referrer' },
    }),
  );
  app.use((_request, response, next) => {
    response.setHeader('Permissions-Policy', PERMISSIONS);
    next();
  });
  if (mounted) app.use(mounted.path, mounted.router);
  app.use(compression());
  app.use(withinRoot(root));
  app.use(
    express.static(root, {
      index: false,
      setHeaders: (response: Response, file: string) => {
        const hashed = /[.-][0-9a-f]{32}\.\w+$/.test(file) || file.endsWith('.woff2');
        response.setHeader(
          'Cache-Control',
          hashed ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache',
        );
      },
    }),
  );
  // Where no service worker answers it: nothing that a browser kept of the app stands in the way.
  app.get('/anew', (_request, response) => {
    response.setHeader('Clear-Site-Data', '"cache"');
    response.redirect(302, '/');
  });
  app.get('/{*rest}', (request, response) => {
    if (path.extname(request.path) !== '') {
      response.status(404).type('text/plain').send('Not found');
      return;
    }
    // Never kept: a copy that was cut off would be found unchanged for ever.
    response.setHeader('Cache-Control', 'no-store');
    response.sendFile('index.html', { root });
  });
  // Express's own answer to an address it cannot decode shows a stack with paths of this machine.
  app.use(
    (error: { status?: number }, _request: Request, response: Response, _next: NextFunction) => {
      const status = error.status ?? 500;
      response
        .status(status)
        .type('text/plain')
        .send(status < 500 ? 'This address cannot be read.' : 'The server could not answer.');
    },
  );
  return app;
}
