// Installs, builds and starts the server with the demo data; the second time only the last.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build, install, ROOT } from './steps.mjs';

await install();
if ((await build()) !== 0) process.exit(1);
const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], { stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('close', (code) => process.exit(code ?? 0));
