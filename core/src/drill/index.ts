export * from './model.js';
export * from './vary.js';
export * from './list.js';
export * from './come-round.js';
export * from './raise.js';
