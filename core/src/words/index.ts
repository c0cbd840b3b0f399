export * from './strokes.js';
export * from './findings.js';
