export * from './model.js';
export * from './import.js';
export * from './take.js';
