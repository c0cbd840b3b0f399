export * from './name.js';
