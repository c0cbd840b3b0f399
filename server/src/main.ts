import { createServer, type Server } from 'node:http';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.js';

const FIRST_PORT = 4300;
const PORTS_TRIED = 50;
/** A request that has not come whole by then is closed, within a second. */
const WHOLE_WITHIN_MS = 10_000;
const CHECKED_EVERY_MS = 1_000;

/** Listens on the port asked for, or on the next free one after it. */
function listen(port: number, left: number): Promise<Server> {
  return new Promise((resolve, reject) => {
    const times = { headersTimeout: WHOLE_WITHIN_MS, requestTimeout: WHOLE_WITHIN_MS };
    const server = createServer({ ...times, connectionsCheckingInterval: CHECKED_EVERY_MS }, app);
    server.listen(port, '127.0.0.1');
    server.once('listening', () => resolve(server));
    server.once('error', (e: NodeJS.ErrnoException) => {
      if (e.code === 'EADDRINUSE' && left > 0) resolve(listen(port + 1, left - 1));
      else reject(e);
    });
  });
}

const root = process.env['WEB_ROOT'] ?? fileURLToPath(new URL('../../web/dist/browser', import.meta.url));
const app = createApp(root);
const server = await listen(Number(process.env['PORT'] ?? FIRST_PORT), PORTS_TRIED);
const address = server.address();
const port = typeof address === 'object' && address ? address.port : 0;
console.log(`Ruffle Wheel is at http://localhost:${port}`);
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
