// core → demo data → worklets and application → server.
import { must, npmRun, run } from './steps.mjs';

await must('Building core', npmRun('build', 'core'));
await must('Writing the demo data', run(process.execPath, ['demo/write.mjs']));
await must('Building the server', npmRun('build', 'server'));
await must('Building the application', npmRun('build', 'web'));
