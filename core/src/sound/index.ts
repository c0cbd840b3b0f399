export * from './feel.js';
export * from './keep-time.js';
export * from './mixer.js';
export * from './piece-plan.js';
export * from './plan-model.js';
export * from './plan.js';
export * from './render.js';
export * from './schedule.js';
