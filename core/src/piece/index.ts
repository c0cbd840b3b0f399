export * from './command.js';
export * from './form.js';
export * from './ladder.js';
export * from './make.js';
export * from './model.js';
export * from './section-commands.js';
export { isShapeName, putShape, removeShape, shapeToPut } from './shape-commands.js';
export * from './study-commands.js';
export * from './trial.js';
