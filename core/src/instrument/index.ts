export * from './geometry.js';
export * from './instrument.js';
export * from './neck.js';
export * from './nodes.js';
export * from './pitch.js';
export * from './tuning.js';
