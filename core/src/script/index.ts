export * from './edit.js';
export * from './flatten.js';
export * from './model.js';
export * from './own-cell.js';
export * from './parse.js';
export * from './print.js';
export * from './step-text.js';
export * from './shares.js';
