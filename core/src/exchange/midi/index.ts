export * from './in.js';
export * from './out.js';
export * from './text.js';
