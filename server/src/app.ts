import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Request, type Response } from 'express';
import helmet from 'helmet';

/** Files whose name carries a hash of their content never change. */
const HASHED = /-[A-Z0-9]{8}\.(js|css|woff2?)$/;

/**
 * Serves the built application: strict content security policy, compression, caching by hash, `/health`.
 * @param root folder with index.html
 * @throws Error when the application has not been built
 */
export function createApp(root: string): Express {
  const index = join(root, 'index.html');
  if (!existsSync(index)) throw new Error(`There is no ${index}: build the application first (npm start does).`);
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
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
          // The transport's clock runs in a worker made from a blob.
          workerSrc: ["'self'", 'blob:'],
          mediaSrc: ["'self'"],
          manifestSrc: ["'self'"],
        },
      },
      crossOriginEmbedderPolicy: true,
      strictTransportSecurity: false,
    }),
  );
  app.use(compression());
  app.get('/health', (_q, res) => void res.json({ ok: true }));
  const sendIndex = (_q: Request, res: Response) => {
    res.set('Cache-Control', 'no-cache').type('html').sendFile(index);
  };
  app.get(['/', '/index.html'], sendIndex);
  app.use(
    express.static(root, {
      index: false,
      setHeaders: (res, path) =>
        res.set('Cache-Control', HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache'),
    }),
  );
  app.get('/{*path}', (q, res, next) => {
    if (/\.\w+$/.test(q.path) || !q.accepts('html')) return next();
    sendIndex(q, res);
  });
  app.use((_q, res) => void res.status(404).type('text').send('Not found'));
  return app;
}
