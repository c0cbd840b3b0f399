/**
 * What each term on the page means, one word for one thing, with a script where it sounds. `docs/words.md` has the same
 * words, and those that are retired.
 */
export const glossary = {
  title: 'Words',
  note: 'Double-click or double-tap one of these words anywhere on the page to be told what it means.',
  told: (term: string, meaning: string) => `${term}: ${meaning}`,
  all: 'All words',
  terms: [
    ['step', 'a place of the script: one stroke, rest or hold', ''],
    ['stroke', 'what is struck on a step: a pluck, a strum, a golpe', 'ima:t'],
    ['cell', 'a short order of strokes to build from', 'ed ad md id'],
    ['cycle', 'the compás: its counts, where they are heavy, how they group', ''],
    ['turn', 'the cycle once round', ''],
    ['bar', 'what is written between two bar lines; a turn has one or two', ''],
    ['seam', 'where a group of the cycle, or the pattern itself, begins again', ''],
    ['accent', 'a count that the cycle makes heavy, or a stroke marked !', 'p:6!'],
    ['pass', 'the pattern once through while you practise, marked clean or not', ''],
    ['ladder', 'the tempos that practice goes up by, a rung each', ''],
    ['ceiling', 'the highest tempo at which no finger of the hand is late', ''],
    ['joint', 'from the stroke of one finger to the next stroke, of another', 'i m i m'],
    ['hand', 'one player’s figures, right and left', ''],
    ['shape', 'what the left hand holds: frets and fingers', ''],
    ['push', 'a stroke that takes the coming chord early: >', ''],
    ['golpe', 'a knock on the soundboard', 'G'],
    ['rasgueado', 'fingers strumming one after another', 'ed ad md id'],
    ['picado', 'single notes of alternating fingers, each resting on the next string', 'i:2_ m:2_ i:2_ m:2_'],
    ['tremolo', 'thumb, then fingers in turn on one string', 'p:5 a:1 m:1 i:1'],
    ['alzapúa', 'the thumb down, up and down again', 'pd:65 pu:65 p:5'],
    ['stand view', 'the page for the music stand: count, letters, next shape', ''],
  ],
} as const;
