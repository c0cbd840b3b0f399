export * from './rank-keys.js';
export * from './section-keys.js';
