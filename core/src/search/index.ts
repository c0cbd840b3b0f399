export * from './cost.js';
export * from './choices.js';
export * from './k-best.js';
export * from './layers.js';
export * from './model.js';
export * from './worth.js';
export * from './best-sums.js';
