export * from './mixer.js';
export * from './schedule.js';
export * from './render.js';
