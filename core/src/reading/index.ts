export * from './read-section.js';
export * from './work-out.js';
