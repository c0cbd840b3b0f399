export * from './accidentals.js';
export * from './model.js';
export * from './note-values.js';
export * from './notate.js';
export * from './signature.js';
export * from './spelling.js';
export * from './time-signature.js';
