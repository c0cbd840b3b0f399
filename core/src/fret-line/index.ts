export * from './model.js';
export * from './weights.js';
export * from './score.js';
export * from './solve.js';
