export * from './model.js';
export * from './note-values.js';
export * from './notate.js';
export * from './spelling.js';
