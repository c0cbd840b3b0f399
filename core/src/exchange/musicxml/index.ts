export * from './out.js';
export * from './in.js';
