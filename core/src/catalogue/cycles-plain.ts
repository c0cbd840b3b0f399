import { makeCycle } from '../cycle/index.js';

/** Beats and nothing else: for studies of the hand, and for music that has no cycle of its own. */
export const PLAIN_CYCLES = [
  makeCycle({
    id: 'plain-four',
    name: 'Four beats',
    family: 'plain',
    counts: 4,
    accents: [
      [0, 1],
      [2, 0.6],
    ],
    groups: [2, 2],
    countNote: 'quarter',
    tempo: [50, 90, 160],
    note: '4/4: the first beat leads, the third answers it.',
  }),
  makeCycle({
    id: 'plain-three',
    name: 'Three beats',
    family: 'plain',
    counts: 3,
    accents: [[0, 1]],
    groups: [3],
    countNote: 'quarter',
    tempo: [50, 100, 180],
    note: '3/4: one leads, two and three follow.',
  }),
];
