export * from './model.js';
export * from './schools.js';
export * from './score.js';
export * from './solve.js';
export * from './plectrum.js';
export * from './compare.js';
export * from './text.js';
export * from './explain.js';
export { crossing } from './cost.js';
