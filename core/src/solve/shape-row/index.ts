export * from './model.js';
export { goesWith } from './others.js';
export * from './score.js';
export * from './shape-row.js';
