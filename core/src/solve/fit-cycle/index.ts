export * from './reasons.js';
export { densityOf, LANDED, LEAN } from './cost.js';
export * from './fit-cycle.js';
export * from './model.js';
export * from './score.js';
export * from './script.js';
export * from './weights.js';
export * from './starting-points.js';
