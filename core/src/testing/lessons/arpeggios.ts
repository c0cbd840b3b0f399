import { lessons } from './model.js';

/** Arpeggios: from home strings, one finger a string, with the set in force. */
export const ARPEGGIOS = [
  ...lessons('arpeggio', { bpm: 80, steps: 4 }, [
    [2, '5321 5321', 'p i m a p i m a'],
    [6, '432123 432123', 'p i m a m i p i m a m i'],
    [6, '643243 643243', 'p i m a i m p i m a i m'],
    [6, '543234', 'p i m a m i'],
    [2, '5231 5231', 'p m i a p m i a'],
    [2, '4123 4123', 'p a m i p a m i'],
    [2, '62321232', 'p m i m a m i m'],
    [2, '3212 3212', 'i m a m i m a m'],
    [6, '654321', 'p p p i m a'],
    [2, '53132313', 'p i a i m i a i'],
    [17, '[51]232 [41]232', 'pa m i m pa m i m'],
    [6, '6 4 3 2 3 4 5 4 3 2 3 4', 'p i m a m i p i m a m i'],
    [2, '531 421 531', 'p i a p m a p i a'],
    [4, '54321234', 'p p i m a m i p'],
    [2, '123 123 123', 'a m i a m i a m i'],
    [5, '6 3 2 2 1 2', 'p i m i a m'],
  ]),
];
