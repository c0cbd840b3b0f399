import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { networkInterfaces } from 'node:os';
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
    const options = { ...times, connectionsCheckingInterval: CHECKED_EVERY_MS };
    const server = certificate ? createTlsServer({ ...options, ...certificate }, app) : createServer(options, app);
    server.listen(port, host);
    server.once('listening', () => resolve(server));
    server.once('error', (e: NodeJS.ErrnoException) => {
      if (e.code === 'EADDRINUSE' && left > 0) resolve(listen(port + 1, left - 1));
      else reject(e);
    });
  });
}

/** Certificate and key for https, when both are named; one without the other is said. */
function readCertificate(): { readonly cert: Buffer; readonly key: Buffer } | null {
  const { TLS_CERT: cert, TLS_KEY: key } = process.env;
  if (!cert && !key) return null;
  if (!cert || !key) throw new Error('TLS_CERT and TLS_KEY go together: name the files of both.');
  return { cert: readFileSync(cert), key: readFileSync(key) };
}
/** Where the page is, for whoever starts it and for other devices in the house. */
function addressesOf(port: number): string[] {
  const scheme = certificate ? 'https' : 'http';
  const reached = ['0.0.0.0', '::'].includes(host)
    ? Object.values(networkInterfaces()).flatMap((all) => (all ?? []).filter((a) => a.family === 'IPv4' && !a.internal))
    : [];
  const named = ['127.0.0.1', '0.0.0.0', '::'].includes(host) ? 'localhost' : host;
  return [named, ...reached.map((a) => a.address)].map((name) => `${scheme}://${name}:${port}`);
}

/** Only this machine reaches it unless another address is asked for. */
const host = process.env['HOST'] ?? '127.0.0.1';
const certificate = readCertificate();
const root = process.env['WEB_ROOT'] ?? fileURLToPath(new URL('../../web/dist/browser', import.meta.url));
const app = createApp(root);
const server = await listen(Number(process.env['PORT'] ?? FIRST_PORT), PORTS_TRIED);
const address = server.address();
const port = typeof address === 'object' && address ? address.port : 0;
console.log(`Ruffle Wheel is at ${addressesOf(port).join(' and ')}`);
if (host !== '127.0.0.1' && !certificate)
  console.log(
    'Other devices get no sound and keep nothing offline over plain http: see “Another device” in the README.',
  );
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
