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
  answers: { easily: 'Easily (E)', just: 'Just (J)', not: 'Not (N)' },
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
