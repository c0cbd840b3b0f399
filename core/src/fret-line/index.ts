export * from './model.js';
export * from './weights.js';
export * from './score.js';
export * from './solve.js';
export * from './text.js';
export * from './both-hands.js';
export * from './rank-keys.js';
export * from './explain.js';
