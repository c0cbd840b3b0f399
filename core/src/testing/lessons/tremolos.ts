import { lessons } from './model.js';

/** Tremolos: the bass the thumb's, on any string, then a m i, or i a m i over four. */
export const TREMOLOS = [
  ...lessons('tremolo', { bpm: 70, steps: 4 }, [
    [19, '5111 4111', 'p a m i p a m i'],
    [19, '6222', 'p a m i'],
    [17, '3111 3111', 'p a m i p a m i'],
    [17, '2111 3111 4111', 'p a m i p a m i p a m i'],
    [19, '4222 5222 6222', 'p a m i p a m i p a m i'],
    [19, '5111 5222 5333', 'p a m i p a m i p a m i'],
    [17, '[31]11 [31]11', 'pa m i pa m i'],
    [17, '[62]22 [52]22 [42]22', 'pa m i pa m i pa m i'],
    [19, '511 411 511', 'p m i p m i p m i'],
    [19, '5111 4111 51', 'p a m i p a m i p a'],
    [19, '633 533', 'p m i p m i'],
    [17, '211 211', 'p m i p m i'],
    [17, '[31]1 1 [21]1 1', 'pa m i pa m i'],
    [17, '411 311 211', 'p m i p m i p m i'],
    [17, '3222 3222', 'p a m i p a m i'],
    [17, '[21]111 [31]111', 'pi a m i pi a m i'],
    [19, '611 511 411 511', 'p m i p m i p m i p m i'],
  ]),
  ...lessons('tremolo', { bpm: 60, steps: 5 }, [
    [19, '51111 41111', 'p i a m i p i a m i'],
    [19, '62222 53333', 'p i a m i p i a m i'],
    [17, '31111 31111', 'p i a m i p i a m i'],
  ]),
  ...lessons('tremolo', { bpm: 50, steps: 6 }, [[19, '5111111 6111111', 'p a m i a m i p a m i a m i']]),
];
