export * from './clean-name.js';
