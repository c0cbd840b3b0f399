import { keyHint } from '../key-hints';

interface Laid {
  readonly finger: number | string;
  readonly string: number;
  readonly fret: number;
}
/** Measuring a left hand step by step. */
export const measure = {
  title: 'Measure the left hand',
  stepOf: (n: number, all: number) => `Step ${n} of ${all}`,
  caution: 'Warm up first. Never force a reach; at pain, numbness or tingling stop.',
  lay: 'To be laid down',
  layFingers: (a: Laid, b: Laid, mm: number) =>
    `Lay finger ${a.finger} on string ${a.string}, fret ${a.fret}, finger ${b.finger} on string ${b.string}, fret ${b.fret} · ${mm} mm`,
  doesIt: 'Guitar without a capo, thumb behind the neck, wrist at ease. Do both reach?',
  answers: { easily: `Easily${keyHint('E')}`, just: `Just${keyHint('J')}`, not: `Not${keyHint('N')}` },
  barre: 'Lay a barre over all six strings at fret 5, sounding clean. Start, hold it only as long as it is easy, stop.',
  landings: (times: number, from: number, to: number) =>
    `Put finger 1 on string 4 and let it land ${times} times, to and fro between fret ${from} and ${to} as fast as it stays clean. Start, land, stop at the last one.`,
  start: 'Start',
  stop: 'Stop',
  thumbOver: 'Do you take string 6 with the thumb over the neck? Some schools do, some forbid it.',
  yes: 'Yes',
  no: 'No',
  result: 'What was found',
  fingers: 'Fingers',
  ease: 'easily',
  limit: 'at most',
  reach: (ease: number, limit: number) => `1–4 easily ${ease} mm, at most ${limit}`,
  mm: (n: number) => `${n} mm`,
  easeMm: 'easily, mm',
  limitMm: 'at most, mm',
  pairMm: (which: string, pair: string) => `${which} ${pair}, mm`,
  barreHeld: (seconds: string) => `barre held ${seconds} s`,
  move: (start: number, perBit: number) => `a move ${start} ms + ${perBit} ms for each doubling of its way`,
  thumbYes: 'thumb over the neck',
  thumbNo: 'thumb behind the neck',
  keep: 'Keep these measures',
  back: 'Back',
  skip: 'Leave as it was',
  leave: 'Stop measuring',
  tapping: {
    title: 'Measure the right hand by tapping',
    warm: 'Warm up first: a few minutes of slow strokes. Then tap on the table beside a key, on any letter of the keyboard, or on the pad below, as lightly as on a string.',
    isWarm: 'I am warm',
    alone: (finger: string, n: number) =>
      `Tap ${n} times with ${finger} alone, as fast as it stays even and easy. Nothing is forced: even counts, not fast.`,
    pair: (from: string, to: string, n: number) =>
      `Tap ${from} and right after it ${to}, as close as they stay two taps. A breath, and again: ${n} times.`,
    here: `Tap here${keyHint('any letter')}`,
    count: (n: number, of: number) => `${n} of ${of}`,
    foundAlone: (finger: string, ms: number) => `${finger}: ${ms} ms from tap to tap.`,
    foundPair: (from: string, to: string, ms: number) => `${from} → ${to}: ${ms} ms.`,
    again: {
      'too few': 'Those were too few taps. Once more.',
      uneven: 'They were uneven, so they say nothing. Once more, slower, so that they stay even.',
      'no breath': 'It can’t be told which taps belong together. Once more, with a longer breath between the pairs.',
    },
    result: 'What was found',
    joint: 'finger to finger',
    thumbJoint: 'thumb to finger',
    ms: (n: number) => `${n} ms`,
    keep: 'Keep these figures',
    leave: 'Stop measuring',
    kept: 'Figures of the right hand kept',
  },
  kept: 'Measures kept',
  forgotten: 'Measures forgotten',
  leftHand: 'Left hand',
  figures: 'Every figure',
  barreSeconds: 'Barre over six strings held, s',
  moveStart: 'A move begins within, ms',
  movePerBit: 'and takes for each doubling of its way, ms',
  thumbField: 'Thumb over the neck takes string 6',
  nut: 'String 6 to 1 at the nut, mm',
  bridge: 'String 6 to 1 at the bridge, mm',
};
