export * from './cut-words.js';
export * from './model.js';
export * from './print-words.js';
export * from './read-words.js';
