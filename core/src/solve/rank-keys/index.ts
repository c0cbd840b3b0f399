export * from './rank-keys.js';
