export * from './pitch.js';
export * from './tuning.js';
export * from './shape.js';
export * from './geometry.js';
export * from './sounded.js';
export * from './stopped.js';
