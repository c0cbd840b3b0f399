export * from './chord.js';
export * from './symbols-of.js';
