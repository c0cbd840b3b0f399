export * from './lay.js';
export * from './rotations.js';
