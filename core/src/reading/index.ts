export * from './read-section.js';
