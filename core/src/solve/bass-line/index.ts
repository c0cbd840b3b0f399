export * from './model.js';
export * from './weights.js';
export { type BassTones, bassTones, rolesOf } from './roles.js';
export { type AskedBass, askedBass, type BassChoice, choicesFor, ownBass, wayOn } from './cost.js';
export * from './bass-line.js';
export * from './score.js';
export * from './section-bass.js';
export { pointsOf as bassPoints } from '../../search/index.js';
