export * from './ladder.js';
export * from './log.js';
