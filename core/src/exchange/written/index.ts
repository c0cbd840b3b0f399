export * from './form-line.js';
export * from './formats.js';
export * from './losses.js';
export * from './model.js';
export * from './practice-sheet.js';
export * from './scope.js';
export * from './study-tablature.js';
export * from './tablature.js';
export { tablatureFile } from './tablature-file.js';
