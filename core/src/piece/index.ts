export * from './model.js';
export * from './make.js';
export * from './commands.js';
export * from './harmony.js';
export * from './plan.js';
export * from './reading.js';
export * from './section-changes.js';
export * from './section-drills.js';
