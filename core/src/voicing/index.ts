export * from './chord.js';
export * from './weights.js';
export * from './fingering.js';
export * from './reach.js';
export * from './model.js';
export * from './score.js';
export * from './solve.js';
export * from './easier.js';
