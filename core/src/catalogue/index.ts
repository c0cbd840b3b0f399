export * from './cells.js';
export * from './comp-beats.js';
export * from './cycles-bossa-nova.js';
export * from './cycles-flamenco.js';
export * from './cycles-tango.js';
export * from './cycles.js';
export * from './forms.js';
export * from './techniques.js';
