import { makeNeck, STANDARD_TUNING } from '../instrument/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { fretSchool } from '../solve/fret-line/index.js';
import { bpm, millimetres } from '../time/index.js';

/** A steady hand on a usual neck: what requests for the left hand share in tests. */
export const LEFT_HAND = {
  tuning: STANDARD_TUNING,
  neck: makeNeck(millimetres(650)),
  profile: DEFAULT_PROFILE,
  bpm: bpm(100),
  school: fretSchool('position'),
};
