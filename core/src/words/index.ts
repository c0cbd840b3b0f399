export * from './strokes.js';
export * from './findings.js';
export * from './techniques.js';
