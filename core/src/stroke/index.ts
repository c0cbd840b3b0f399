export * from './model.js';
export * from './strength.js';
