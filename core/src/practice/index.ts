export * from './ladder.js';
export * from './log.js';
export * from './tempo-lines.js';
export * from './records.js';
