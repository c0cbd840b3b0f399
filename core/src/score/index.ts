export * from './barre-holds.js';
export * from './changes.js';
export * from './early-strokes.js';
export * from './held-over.js';
export { LeftHandState, stopFor } from './left-hand.js';
export * from './model.js';
export * from './piece-score.js';
export * from './score-of.js';
export * from './section-changes.js';
