export * from './command.js';
export * from './commands.js';
export * from './ladder.js';
export * from './make.js';
export * from './model.js';
export * from './notes-written.js';
