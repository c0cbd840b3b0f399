export * from './model.js';
export * from './weights.js';
export * from './score.js';
export * from './solve.js';
export * from './script.js';
export * from './explain.js';
