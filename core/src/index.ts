/** The craft, computed: pure functions over plain data. `@ruffle-wheel/core/format` holds the doors for files. */
export * from './time/index.js';
export * from './cycle/index.js';
export * from './stroke/index.js';
export * from './pattern/index.js';
export * from './hand/index.js';
export * from './neck/index.js';
export * from './fretting/index.js';
export * from './voicing/index.js';
export * from './changes/index.js';
export * from './piece/index.js';
export * from './practice/index.js';
export * from './sound/index.js';
export * from './words/index.js';
export * from './search/index.js';
export * from './fit/index.js';
export * from './line/index.js';
export * from './drill/index.js';
