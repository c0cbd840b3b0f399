export { isLanding } from './landing.js';
export * from './lay.js';
export * from './rotations.js';
