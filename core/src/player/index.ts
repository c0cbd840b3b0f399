export * from './left-hand-measures.js';
export * from './left-hand.js';
export * from './measure.js';
export * from './neck-of.js';
export * from './profile.js';
export * from './room.js';
export * from './movement.js';
export * from './tapping.js';
