export * from './findings.js';
export * from './left-hand-findings.js';
export * from './say-change.js';
export * from './strokes.js';
