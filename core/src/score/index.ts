export * from './barre-holds.js';
export * from './changes.js';
export * from './section-changes.js';
