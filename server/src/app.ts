import { existsSync, readdirSync } from 'node:fs';
import { join, relative, sep } from 'node:path';
import compression from 'compression';
import express, {
  type ErrorRequestHandler,
  type Express,
  type Request,
  type RequestHandler,
  type Response,
} from 'express';
import helmet from 'helmet';

/** Files whose name carries a hash of their content never change. */
const HASHED = /-[A-Z0-9]{8}\.(js|css|woff2?|otf|ttf)$/;
/** Addresses of the application's places: every other one is unknown. */
export const PLACES = ['wheel', 'neck', 'weave', 'practise', 'logbook', 'shelf'] as const;
/** What a page from here may ask of the browser; everything else stays closed. */
const PERMISSIONS = [
  'autoplay=(self)',
  'fullscreen=(self)',
  'microphone=(self)',
  ...['camera', 'display-capture', 'geolocation', 'midi', 'payment', 'usb', 'serial'].map((p) => `${p}=()`),
].join(', ');
/** Where a page from here may take anything from. */
const POLICY = {
  defaultSrc: ["'self'"],
  baseUri: ["'self'"],
  objectSrc: ["'none'"],
  frameAncestors: ["'none'"],
  formAction: ["'self'"],
  scriptSrc: ["'self'"],
  scriptSrcAttr: ["'none'"],
  // Component styles arrive as style elements; attributes stay closed.
  styleSrc: ["'self'", "'unsafe-inline'"],
  styleSrcAttr: ["'none'"],
  imgSrc: ["'self'", 'data:'],
  fontSrc: ["'self'"],
  connectSrc: ["'self'"],
  workerSrc: ["'self'"],
  mediaSrc: ["'self'"],
  manifestSrc: ["'self'"],
};
const NOT_FOUND = `<!doctype html>
<html lang="en">
  <head><meta charset="utf-8" /><title>Not found · Ruffle Wheel</title></head>
  <body><p>Nothing is kept at this address.</p><p><a href="/">Go to Ruffle Wheel</a></p></body>
</html>
`;

/**
 * Serves the built application: strict content security policy, compression, caching by hash, `/health`.
 * @param root folder with index.html
 * @throws Error when the application has not been built
 */
export function createApp(root: string): Express {
  const index = join(root, 'index.html');
  if (!existsSync(index)) throw new Error(`There is no ${index}: build the application first (npm start does).`);
  const app = express();
  // Whatever the environment says: faults are never answered with what they tell about the machine.
  app.set('env', 'production');
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: { useDefaults: false, directives: POLICY },
      crossOriginEmbedderPolicy: true,
      // The same rule as frame-ancestors above, for those who read only this one.
      frameguard: { action: 'deny' },
      strictTransportSecurity: false,
    }),
  );
  app.use((_q, res, next) => {
    res.set('Permissions-Policy', PERMISSIONS);
    next();
  });
  app.use(compression());
  app.use(readingOnly(root));
  app.get('/health', (_q, res) => void res.json({ ok: true }));
  const sendIndex = (_q: Request, res: Response) => {
    res.set('Cache-Control', 'no-cache').type('html').sendFile(index);
  };
  app.get(['/', '/index.html', ...PLACES.map((place) => `/${place}`)], sendIndex);
  app.get('/{*path}', (q, res, next) => (q.path.endsWith('.map') ? notFound(q, res) : next()));
  app.use(
    express.static(root, {
      index: false,
      // A folder is no address of anything.
      redirect: false,
      setHeaders: (res, path) =>
        res.set('Cache-Control', HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache'),
    }),
  );
  app.use(notFound);
  const failed: ErrorRequestHandler = (e: { status?: unknown }, _q, res, next) => {
    if (res.headersSent) return next(e);
    const status = typeof e.status === 'number' && e.status >= 400 && e.status < 500 ? e.status : 500;
    res
      .status(status)
      .type('text')
      .send(status < 500 ? 'Bad request' : 'Something failed here');
  };
  app.use(failed);
  return app;
}
/** Nothing is ever sent here: whatever there is to read can only be read. */
function readingOnly(root: string): RequestHandler {
  const files = readdirSync(root, { recursive: true, withFileTypes: true }).flatMap((e) =>
    e.isFile() ? [`/${relative(root, join(e.parentPath, e.name)).split(sep).join('/')}`] : [],
  );
  const known = new Set(['/', '/health', ...PLACES.map((p) => `/${p}`), ...files]);
  return (q, res, next) => {
    if (q.method === 'GET' || q.method === 'HEAD') return next();
    if (!known.has(q.path) && !known.has(q.path.toLowerCase())) return notFound(q, res);
    res.status(405).set({ Allow: 'GET, HEAD', 'Cache-Control': 'no-cache' }).type('text').send('This can only be read');
  };
}
function notFound(q: Request, res: Response) {
  res.status(404).set('Cache-Control', 'no-cache');
  if (q.accepts('html') && !/\.\w+$/.test(q.path)) res.type('html').send(NOT_FOUND);
  else res.type('text').send('Not found');
}
