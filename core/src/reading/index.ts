export * from './better-start.js';
export * from './read-section.js';
export * from './reading-request.js';
export * from './work-out.js';
export * from './written-bars.js';
export * from './conflict.js';
export { conflictsOf } from './remedies.js';
