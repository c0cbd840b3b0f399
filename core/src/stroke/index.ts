export * from './hand-letters.js';
export * from './marks.js';
export * from './model.js';
export * from './strength.js';
export * from './homes.js';
export * from './ringing.js';
