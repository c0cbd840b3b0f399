export * from './easier.js';
export * from './model.js';
export * from './score.js';
export * from './voicings.js';
