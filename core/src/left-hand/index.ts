export * from './fingering.js';
export * from './reach.js';
export * from './shape-changes.js';
export * from './shape-span.js';
export * from './shape-weights.js';
export * from './shape.js';
export * from './stopped.js';
export * from './position.js';
