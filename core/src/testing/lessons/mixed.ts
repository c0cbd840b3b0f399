import { lessons } from './model.js';

/** Lines that go from one kind of playing into another. */
export const MIXED = [
  ...lessons(['arpeggio', 'melody over basses'], { bpm: 80, steps: 4 }, [
    [6, '[51] 321 [62] 322', 'pa i m a pm i m i'],
    [2, '5321 5321 51122112', 'p i m a p i m a p i m i m i m i'],
  ]),
  ...lessons(['run', 'arpeggio'], { bpm: 90, steps: 4 }, [
    [5, '332211 532123 532123', 'm i m i m i p i m a m i p i m a m i'],
    [5, '3332 2211 1 . 4321 4321', 'i m i m i m i m i p i m a p i m a'],
  ]),
  ...lessons(['tremolo', 'run'], { bpm: 80, steps: 4 }, [
    [19, '5111 4111 3322 1122', 'p a m i p a m i m i m i m i m i'],
    [19, '6222 5222 3332 2211', 'p a m i p a m i m i m i m i m i'],
  ]),
  ...lessons(['run', 'block chords'], { bpm: 90, steps: 4 }, [
    [5, '3332 2221 11 . [5321]', 'i m i m i m i m i m pima'],
  ]),
  ...lessons(['thumb line', 'run'], { bpm: 80, steps: 2 }, [
    [19, '6 6 5 5 4 4 5 5 . . . . 2 2 1 1 2 2 3 3', 'p p p p p p p p i m i m i m i m'],
  ]),
  ...lessons(['tremolo', 'arpeggio'], { bpm: 70, steps: 4 }, [
    [19, '5111 5111 5321 5321', 'p a m i p a m i p i m a p i m a'],
  ]),
  ...lessons(['block chords', 'comping'], { bpm: 90, steps: 2 }, [[4, '[5432] [432] 5 [432]', 'pima ima p ima']]),
  ...lessons(['comping', 'melody over basses'], { bpm: 80, steps: 2 }, [
    [4, '5 [321] 6 [321] 5 1 1 2 2 1 1', 'p ima p ima p i m i m i m'],
  ]),
];
