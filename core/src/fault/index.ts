export * from './model.js';
export * from './quoted.js';
