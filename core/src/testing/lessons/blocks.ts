import { lessons } from './model.js';

/** Chords struck together, alone and over the thumb's basses. */
export const BLOCKS = [
  ...lessons('comping', { bpm: 80, steps: 2 }, [
    [4, '5 [321] 5 [321]', 'p ima p ima'],
    [6, '6 [432] [432] 4 [321]', 'p ima ima p ima'],
    [4, '4 [321] [321] 6 [321] [321]', 'p ima ima p ima ima'],
    [4, '6 [21] [21] 5 [21] [21]', 'p ma ma p ma ma'],
    [4, '5 [32] 6 [32]', 'p im p im'],
    [4, '5 [321] 4 [321]', 'p ima p ima'],
    [6, '5 [432] [432]', 'p ima ima'],
    [6, '6 [43] 2 [43]', 'p im a im'],
    [4, '5 [31] 2 [31]', 'p ia m ia'],
    [6, '6 [43] [32] [43]', 'p im ma im'],
    [4, '5 [21] [32] [21]', 'p ma im ma'],
    [4, '6 [321] [321] [321]', 'p ima ima ima'],
    [6, '5 . [42] . 5 . [42] .', 'p ia p ia'],
  ]),
  ...lessons('block chords', { bpm: 60, steps: 1 }, [
    [4, '[5321] [5321]', 'pima pima'],
    [6, '[6432] [5432]', 'pima pima'],
    [4, '[4321]', 'pima'],
    [4, '[321] [321] [321]', 'ima ima ima'],
    [5, '[21] [21] [32] [32]', 'ma ma im im'],
    [4, '[531] [421]', 'pia pma'],
    [4, '[6321] [5321]', 'pima pima'],
    [4, '[431] [431]', 'pia pia'],
    [4, '[5421]', 'pima'],
    [6, '[643] [643]', 'pim pim'],
    [6, '[632] [632]', 'pim pim'],
    [5, '[32] [32] [21] [21] [32]', 'im im ma ma im'],
  ]),
];
