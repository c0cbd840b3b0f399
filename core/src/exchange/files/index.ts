/** Score files of other programs: `@ruffle-wheel/core/exchange`. */
export * from '../written/cycle-text.js';
export * from './export.js';
export * from '../foreign/index.js';
export * from './import-file.js';
export * from './log-csv.js';
export * from '../midi/index.js';
export * from '../musicxml/index.js';
export * from './track.js';
