export type { Kind, Passage, PassageNote, PassageReading, KindStretch, PassageVoice } from './model.js';
export { KINDS } from './model.js';
export { kindsOf } from './kinds-of.js';
export { pedalPitches } from './pedals.js';
export { areParted, PARTED_BY, pedalNotes, readPassage } from './read-passage.js';
export { fromThickest } from './strings.js';
export { struckAs } from './strums.js';
export { TEXTURE_WEIGHTS } from './textures.js';
export { voicesOf } from './voices.js';
