export * from './chord.js';
