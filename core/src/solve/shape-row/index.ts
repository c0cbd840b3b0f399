export * from './model.js';
export * from './score.js';
export * from './shape-row.js';
