export * from './model.js';
export * from './read-falseta.js';
