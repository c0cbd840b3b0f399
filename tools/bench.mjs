// Medians of the core's work, printed with what they are measured against.
import { install, must, npmRun } from './steps.mjs';

await install();
await must('Building core', npmRun('build', 'core'));
await must('Measuring', npmRun('bench', 'core'));
