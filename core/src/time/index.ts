export * from './units.js';
export * from './arithmetic.js';
export * from './tap.js';
