export * from './harmony.js';
