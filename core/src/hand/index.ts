export * from './profile.js';
export * from './plants.js';
export * from './motion.js';
export * from './load.js';
