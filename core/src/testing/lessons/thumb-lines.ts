import { lessons } from './model.js';

/** Lines of the thumb: alone on the basses with time for it, and under a pedal that a finger plays. */
export const THUMB_LINES = [
  ...lessons('thumb line', { bpm: 90, steps: 2 }, [
    [19, '6655 4455', 'p p p p p p p p'],
    [19, '6 6 5 4 4 5', 'p p p p p p'],
    [19, '5 5 5 6 6', 'p p p p p'],
    [19, '6666', 'p p p p'],
    [19, '4 5 6 5 4 5 6 5', 'p p p p p p p p'],
    [4, '6 - 5 - 4 - 6 -', 'p p p p'],
    [18, '5141 5161', 'p i p i p i p i'],
    [18, '6252 4252', 'p i p i p i p i'],
    [18, '5343 6343', 'p i p i p i p i'],
    [19, '6 . 6 5 . 5 4', 'p p p p p'],
    [18, '6 1 5 1 4 1', 'p i p i p i'],
    [19, '44 55 66 55 44', 'p p p p p p p p p p'],
    [19, '6565', 'p p p p'],
    [19, '654 654', 'p p p p p p'],
    [19, '6 5 6 4 6 5', 'p p p p p p'],
    [19, '5 6 4 6 5 6', 'p p p p p p'],
    [18, '4f2 1 4f3 1 4f5 1 4f2 1', 'p i p i p i p i'],
    [18, '3f2 1 3f4 1 2f1 1 3f2 1', 'p i p i p i p i'],
    [18, '5 - 1 4 - 1 6 - 1', 'p i p i p i'],
    [18, '4f2 3 4f4 3 5f3 3 4f2 3', 'p i p i p i p i'],
    [18, '6f3 2 6f1 2 5f3 2 6f3 2', 'p i p i p i p i'],
    [18, '3f2 2 3f4 2 3f5 2', 'p i p i p i'],
  ]),
  ...lessons('thumb line', { bpm: 160, steps: 4 }, [[19, '654 654 654', 'p p p p p p p p p']]),
];
