export * from './shape-row.js';
