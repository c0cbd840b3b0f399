import { lessons } from './model.js';

/** Runs: one pair on every string; it begins with i unless two crossings or more get better by m. */
export const RUNS = [
  ...lessons('run', { bpm: 90, steps: 4 }, [
    [19, '1111', 'i m i m', 'guard'],
    [19, '2222 2222 2', 'i m i m i m i m i'],
    [5, '333 222 111', 'i m i m i m i m i'],
    [5, '3322 1122', 'i m i m i m i m'],
    [5, '1 1 2 2 3 3 3 2', 'i m i m i m i m', 'guard'],
    [19, '66 55 44 33', 'm i m i m i m i'],
    [5, '1112 2223', 'm i m i m i m i', 'guard'],
    [19, '4443 3322 2111', 'i m i m i m i m i m i m'],
    [5, '1212 1212', 'm i m i m i m i', 'guard'],
    [19, '3.33.3 2.22', 'i m i m i m i'],
    [5, '2 2 2 1 1 1 2 2 2 3', 'i m i m i m i m i m'],
    [4, '4 4 4 4 3 3 3 3 2 2', 'm i m i m i m i m i'],
    [19, '6555 6444', 'i m i m i m i m'],
    [19, '55 554 4 43 332', 'i m i m i m i m i m i'],
    [5, '332 221 112 223', 'i m i m i m i m i m i m'],
    [5, '1112 1112', 'm i m i m i m i', 'guard'],
    [19, '1f5 1f7 1f8 2f5 2f7 2f8', 'i m i m i m'],
    [19, '6f1 6f2 6f3 6f4 5f1 5f2 5f3 5f4 4f1 4f2 4f3 4f4', 'm i m i m i m i m i m i'],
    [5, '123 32 1', 'i m i m i m'],
    [19, '1112 1112 111', 'm i m i m i m i m i m', 'guard'],
    [19, '1f1 1 2f4 1 1f1 1 2f4 1', 'i m i m i m i m', 'guard'],
    [5, '2f4 1 1f1 1 2f4 1 1f1 1', 'i m i m i m i m'],
    [5, '3 2 2 1 1 1 2 2 3 3', 'i m i m i m i m i m', 'guard'],
  ]),
];
