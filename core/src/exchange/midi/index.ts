export * from './in.js';
export * from './out.js';
