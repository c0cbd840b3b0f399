export * from './model.js';
export * from './file.js';
export * from './rows.js';
