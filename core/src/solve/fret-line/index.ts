export * from './reasons.js';
export * from './fret-line.js';
export * from './model.js';
export { pedalsIn } from './pedals.js';
export * from './score.js';
export * from './text.js';
export * from './weights.js';
export { holdingFor } from './held.js';
export * from './look-ahead.js';
