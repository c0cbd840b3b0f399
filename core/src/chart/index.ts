export * from './cut-spans.js';
export * from './edit-chart.js';
export * from './entries.js';
export * from './held.js';
export * from './model.js';
export * from './placed-chart.js';
export * from './print-chart.js';
export * from './read-chart.js';
