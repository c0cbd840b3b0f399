export * from './model.js';
export * from './import.js';
export * from './take.js';
export { onGrid } from './grid.js';
