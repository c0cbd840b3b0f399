export * from './mixer.js';
export * from './plan.js';
export * from './render.js';
export * from './schedule.js';
export * from './piece-plan.js';
