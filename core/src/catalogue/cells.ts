import type { Family } from '../cycle/index.js';

/** Where a cell's weight lies: on its first stroke, its last, or on what it lands on after it. */
export type Lean = 'first' | 'last' | 'landing';

export interface Cell {
  readonly name: string;
  readonly script: string;
  readonly stepsPerCount: number;
  readonly family: Family;
  /** Default: on its first stroke. Strokes that are marked go before. */
  readonly lean?: Lean;
  /** One line: what it is for. */
  readonly note: string;
}

/** A cell that comes with the program: its name and note are its English text, found in any language by its id. */
export interface ShippedCell extends Cell {
  readonly id: string;
}

/** Right-hand cells to begin from. d = down, u = up. */
export const CELLS: readonly ShippedCell[] = [
  {
    id: 'index-down-and-up',
    name: 'Index down and up',
    script: 'id iu',
    stepsPerCount: 2,
    family: 'flamenco',
    note: 'One finger, half returns.',
  },
  {
    id: 'three-down',
    name: 'Three down',
    script: 'ad md id',
    stepsPerCount: 3,
    family: 'flamenco',
    lean: 'landing',
    note: 'A triplet of flicks.',
  },
  {
    id: 'four-down',
    name: 'Four down',
    script: 'ed ad md id',
    stepsPerCount: 4,
    family: 'flamenco',
    lean: 'landing',
    note: 'Continuous, no up stroke.',
  },
  {
    id: 'five',
    name: 'Five',
    script: 'ed ad md id iu',
    stepsPerCount: 5,
    family: 'flamenco',
    lean: 'landing',
    note: 'Four flicks and the index returns.',
  },
  {
    id: 'three-and-back',
    name: 'Three and back',
    script: 'ad md id iu',
    stepsPerCount: 4,
    family: 'flamenco',
    lean: 'landing',
    note: 'Three flicks, index returns.',
  },
  {
    id: 'fan',
    name: 'Fan',
    script: 'pu md pd',
    stepsPerCount: 3,
    family: 'flamenco',
    note: 'The forearm turns: a triplet.',
  },
  {
    id: 'thumb-down-and-up',
    name: 'Thumb down and up',
    script: 'pd pu',
    stepsPerCount: 2,
    family: 'flamenco',
    note: 'Thumb only.',
  },
  {
    id: 'alzapua-in-three',
    name: 'Alzapúa in three',
    script: 'pd:54 pu:45 p:3_',
    stepsPerCount: 3,
    family: 'flamenco',
    note: 'Through, back, one string.',
  },
  {
    id: 'thumb-and-figure',
    name: 'Thumb and figure',
    script: 'p:b i:t m:t a:t m:t i:t p:b ima:t',
    stepsPerCount: 2,
    family: 'tango',
    note: 'Thumb under a broken chord.',
  },
  {
    id: 'three-three-two',
    name: 'Three, three, two',
    script: 'p:b! i m p:b! i m p:b! ima',
    stepsPerCount: 2,
    family: 'tango',
    note: 'Thumb on each start.',
  },
  {
    id: 'marked-block',
    name: 'Marked block',
    script: "pima:t' .",
    stepsPerCount: 2,
    family: 'tango',
    note: 'All fingers, stopped at once.',
  },
  {
    id: 'bass-and-two-chords',
    name: 'Bass and two chords',
    script: 'p:b . ima:t . ima:t .',
    stepsPerCount: 2,
    family: 'tango',
    note: 'A turn of three: bass, chord, chord.',
  },
  {
    id: 'bass-and-broken-chord',
    name: 'Bass and broken chord',
    script: 'p:b i:t m:t a:t m:t i:t',
    stepsPerCount: 2,
    family: 'tango',
    note: 'A turn of three: up and down the chord.',
  },
  {
    id: 'straight-comping',
    name: 'Straight comping',
    script: 'p:b ima:t p:b ima:t',
    stepsPerCount: 2,
    family: 'bossa nova',
    note: 'Thumb on the beat, chord on the and.',
  },
  {
    id: 'syncopated-comping',
    name: 'Syncopated comping',
    script: 'p:b ima:t - ima:t p:b ima:t - ima:t',
    stepsPerCount: 4,
    family: 'bossa nova',
    note: 'Chord on the second and fourth sixteenth.',
  },
  {
    id: 'held-and-pushed',
    name: 'Held and pushed',
    script: 'pima:t - p:b ima:t p:b - pima:t -',
    stepsPerCount: 2,
    family: 'bossa nova',
    note: 'A chord tied across the middle.',
  },
  {
    id: 'one-finger-a-string',
    name: 'One finger a string',
    script: 'p:b i m a',
    stepsPerCount: 2,
    family: 'plain',
    note: 'A broken chord, upward.',
  },
  {
    id: 'bass-and-chord',
    name: 'Bass and chord',
    script: 'p:b ima:t',
    stepsPerCount: 2,
    family: 'plain',
    note: 'Thumb on the beat, the fingers after it.',
  },
  {
    id: 'down-and-up',
    name: 'Down and up',
    script: 'id iu',
    stepsPerCount: 2,
    family: 'plain',
    note: 'A strum with one finger.',
  },
];
