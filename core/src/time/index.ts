export * from './arithmetic.js';
export * from './tap.js';
export * from './units.js';
