export * from './model.js';
export * from './study-tablature.js';
export * from './tablature.js';
