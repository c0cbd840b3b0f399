export * from './idiom.js';
export * from './kind-of-pattern.js';
export * from './load.js';
export * from './motion.js';
export * from './plants.js';
export * from './plectrum-load.js';
export * from './right-hand-moves.js';
export * from './sounded.js';
