export * from './findings-of.js';
export * from './model.js';
