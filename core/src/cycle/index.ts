export * from './model.js';
export * from './make.js';
export * from './catalogue.js';
export * from './check.js';
export * from './place.js';
export * from './text.js';
