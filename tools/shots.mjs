// Retakes docs/screenshots from the demo data.
import { build, chromium, install, must, ROOT, run } from './steps.mjs';

await install();
const path = await chromium();
if ((await build()) !== 0) process.exit(1);
const env = { ...process.env, CHROMIUM_PATH: path, SHOTS: '1' };
await must('Taking pictures', run('npx', ['playwright', 'test', '--project', 'shots'], { cwd: `${ROOT}/e2e`, env }));
