export * from './changes.js';
export * from './say.js';
export * from './row.js';
export * from './timeline.js';
