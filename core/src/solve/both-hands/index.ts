export * from './both-hands.js';
