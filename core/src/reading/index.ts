export * from './better-start.js';
export * from './read-section.js';
export * from './reading-request.js';
export { withFingers, workOut, type WorkedOut, writeWorkedOut, WRITING_SCHOOLS } from './work-out.js';
export * from './written-bars.js';
export * from './section-hands.js';
export * from './told-falseta.js';
export * from './passage-keys.js';
export { workedScore } from './worked-score.js';
