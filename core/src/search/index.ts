export * from './model.js';
export * from './k-best.js';
export * from './layers.js';
