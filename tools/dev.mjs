// The application with live reload: core is rebuilt as it changes, the page follows.
import { spawn } from 'node:child_process';
import { install, must, npmRun, ROOT, run } from './steps.mjs';

await install();
await must('Building core', npmRun('build', 'core'));
await must('Writing the demo data', run(process.execPath, ['demo/write.mjs']));
const children = [
  spawn('npx', ['tsc', '-p', 'core/tsconfig.build.json', '--watch', '--preserveWatchOutput'], {
    cwd: ROOT,
    stdio: 'inherit',
  }),
  spawn('npm', ['run', '--silent', 'start', '-w', 'web'], { cwd: ROOT, stdio: 'inherit' }),
];
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => children.forEach((c) => c.kill(signal)));
