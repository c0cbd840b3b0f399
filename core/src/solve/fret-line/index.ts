export * from './explain.js';
export * from './fret-line.js';
export * from './model.js';
export * from './rank-keys.js';
export * from './score.js';
export * from './text.js';
export * from './weights.js';
