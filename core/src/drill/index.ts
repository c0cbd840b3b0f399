export * from './block-chords.js';
export * from './come-round.js';
export * from './list.js';
export * from './model.js';
export * from './raise.js';
export * from './section-drills.js';
export * from './vary.js';
export * from './range-drills.js';
