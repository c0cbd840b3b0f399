export * from './model.js';
export * from './geometry.js';
export * from './left-hand.js';
export * from './measure.js';
