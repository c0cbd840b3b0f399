// Medians of the core's work, then how long the page does not answer, printed with what they are measured against.
import { build, chromium, install, must, npmRun, ROOT, run } from './steps.mjs';

await install();
const path = await chromium();
if ((await build()) !== 0) process.exit(1);
await must('Measuring core', npmRun('bench', 'core'));
const env = { ...process.env, CHROMIUM_PATH: path };
await must('Measuring the page', run('npx', ['playwright', 'test', '--project', 'bench'], { cwd: `${ROOT}/e2e`, env }));
