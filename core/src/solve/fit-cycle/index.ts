export * from './reasons.js';
export * from './fit-cycle.js';
export * from './model.js';
export * from './score.js';
export * from './script.js';
export * from './weights.js';
