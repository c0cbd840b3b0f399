export * from './check.js';
export * from './make.js';
export * from './model.js';
export * from './place.js';
export * from './text.js';
