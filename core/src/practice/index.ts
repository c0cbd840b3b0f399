export * from './course.js';
export * from './days.js';
export * from './due-checks.js';
export * from './ladder.js';
export * from './log.js';
export * from './tempo-lines.js';
export * from './week.js';
export * from './records.js';
