/** A lesson for both hands: notes by name, their places with left-hand fingers, and the right hand's fingers. */
export interface BothHandsLesson {
  readonly rule: number;
  /** As a melody is typed. */
  readonly notes: string;
  /** A word a note or chord: string, fret and finger. */
  readonly places: string;
  /** A word a note, from the thickest string on. */
  readonly fingers: string;
  readonly bpm: number;
  readonly steps: number;
}
const at = (
  bpm: number,
  steps: number,
  list: readonly (readonly [rule: number, notes: string, places: string, fingers: string])[],
): readonly BothHandsLesson[] =>
  list.map(([rule, notes, places, fingers]) => ({ rule, notes, places, fingers, bpm, steps }));

/** Melodies, basses and broken chords near the nut, where open strings are welcome. */
export const BOTH_HANDS: readonly BothHandsLesson[] = [
  ...at(90, 2, [
    [18, 'a2 e4 f2 e4 e2 e4 g2 e4', '5f0 1f0 6f1=1 1f0 6f0 1f0 6f3=3 1f0', 'p i p i p i p i'],
    [18, 'e4 g3 e4 a3 e4 b3 e4 a3', '1f0 3f0 1f0 3f2=2 1f0 2f0 1f0 3f2=2', 'i p i p i p i p'],
    [18, 'b3 g3 b3 a3 b3 f#3 b3 g3', '2f0 3f0 2f0 3f2=2 2f0 4f4=3 2f0 3f0', 'i p i p i p i p'],
    [18, 'a2 e4 b2 e4 c3 e4 d3 e4', '5f0 1f0 5f2=2 1f0 5f3=3 1f0 4f0 1f0', 'p i p i p i p i'],
    [18, 'd3 a3 d3 b3 d3 c4 d3 b3', '4f0 3f2=2 4f0 2f0 4f0 2f1=1 4f0 2f0', 'p i p m p m p m'],
  ]),
  ...at(80, 4, [
    [2, 'e3 g3 b3 g3', '4f2=2 3f0 2f0 3f0', 'p i m i'],
    [2, 'e2 e3 g#3 b3 e4 b3 g#3 e3', '6f0 4f2=2 3f1=1 2f0 1f0 2f0 3f1=1 4f2=2', 'p p i m a m i p'],
    [
      17,
      '[c3~ e4] g3 c4 e4 [g2~ d4] g3 b3 d4',
      '5f3=3+1f0 3f0 2f1=1 1f0 6f3=3+2f3=4 3f0 2f0 2f3=4',
      'pa i m a pm i m i',
    ],
    [17, '[d3~ a3] d4 f4 d4', '4f0+3f2=2 2f3=3 1f1=1 2f3=3', 'pi m a m'],
    [2, 'a2 a3 c4 e4 a2 a3 c4 e4', '5f0 3f2=2 2f1=1 1f0 5f0 3f2=2 2f1=1 1f0', 'p i m a p i m a'],
  ]),
  ...at(80, 3, [
    [6, 'g2 d3 g3 b3 g3 d3', '6f3=3 4f0 3f0 2f0 3f0 4f0', 'p i m a m i'],
    [6, 'c3 e3 g3 c4 g3 e3', '5f3=3 4f2=2 3f0 2f1=1 3f0 4f2=2', 'p i m a m i'],
    [2, 'e2 g3 b3 e4 g3 b3', '6f0 3f0 2f0 1f0 3f0 2f0', 'p i m a i m'],
    [2, 'a2 g3 c4 e4 c4 g3', '5f0 3f0 2f1=1 1f0 2f1=1 3f0', 'p i m a m i'],
  ]),
  ...at(80, 2, [
    [4, 'e2 e4 d4 b3 a2 e4 c4 a3', '6f0 1f0 2f3=3 2f0 5f0 1f0 2f1=1 3f2=2', 'p a m i p a m i'],
    [19, 'g2 a2 b2 c3 d3 e3', '6f3=3 5f0 5f2=2 5f3=3 4f0 4f2=2', 'p p p p p p'],
    [19, 'e3 d3 c3 b2 a2 g2 f2 e2', '4f2=2 4f0 5f3=3 5f2=2 5f0 6f3=3 6f1=1 6f0', 'p p p p p p p p'],
    [19, 'e2 g2 a2 b2 a2 g2', '6f0 6f3=3 5f0 5f2=2 5f0 6f3=3', 'p p p p p p'],
    [4, 'a2 [c4 e4] a2 [c4 e4]', '5f0 2f1=1+1f0 5f0 2f1=1+1f0', 'p ma p ma'],
    [4, 'e2 [g#3 b3 e4] a2 [a3 c4 e4]', '6f0 3f1=1+2f0+1f0 5f0 3f2=2+2f1=1+1f0', 'p ima p ima'],
    [4, 'd3 [a3 d4 f4] d3 [a3 d4 f4]', '4f0 3f2=2+2f3=3+1f1=1 4f0 3f2=2+2f3=3+1f1=1', 'p ima p ima'],
  ]),
  ...at(90, 4, [
    [5, 'c3 d3 e3 f3 g3 a3 b3 c4', '5f3=3 4f0 4f2=2 4f3=3 3f0 3f2=2 2f0 2f1=1', 'i m i m i m i m'],
    [
      4,
      '[a2~ e4] d4 c4 b3 [a2~ a3] b3 c4 d4',
      '5f0+1f0 2f3=3 2f1=1 2f0 5f0+3f2=2 2f0 2f1=1 2f3=3',
      'pi m i m pi m i m',
    ],
    [
      4,
      '[e2~ g#3] b3 d4 e4 [a2~ e4] c4 a3 c4',
      '6f0+3f1=1 2f0 2f3=3 1f0 5f0+1f0 2f1=1 3f2=2 2f1=1',
      'pi m i m pa m i m',
    ],
    [
      4,
      '[d3~ f4] e4 d4 c#4 [a2~ e4] d4 c#4 b3',
      '4f0+1f1=1 1f0 2f3=3 2f2=2 5f0+1f0 2f3=3 2f2=2 2f0',
      'pi m i m pi m i m',
    ],
  ]),
  ...at(100, 4, [
    [5, 'g3 a3 b3 c4 d4 e4 f4 g4', '3f0 3f2=2 2f0 2f1=1 2f3=3 1f0 1f1=1 1f3=3', 'i m i m i m i m'],
    [5, 'e4 d4 c4 b3 a3 g3 f3 e3', '1f0 2f3=3 2f1=1 2f0 3f2=2 3f0 4f3=3 4f2=2', 'i m i m i m i m'],
    [5, 'e4 f#4 g4 f#4 e4 d4 b3 a3', '1f0 1f2=2 1f3=3 1f2=2 1f0 2f3=3 2f0 3f2=2', 'm i m i m i m i'],
    [19, 'b3 b3 c4 c4 d4 d4 e4 e4', '2f0 2f0 2f1=1 2f1=1 2f3=3 2f3=3 1f0 1f0', 'i m i m i m i m'],
    [19, 'g4 f4 e4 d4 c4 b3 a3 g3', '1f3=3 1f1=1 1f0 2f3=3 2f1=1 2f0 3f2=2 3f0', 'i m i m i m i m'],
    [19, 'g#3 a3 b3 c4 d4 e4 f4 e4', '3f1=1 3f2=2 2f0 2f1=1 2f3=3 1f0 1f1=1 1f0', 'i m i m i m i m'],
  ]),
  ...at(110, 4, [[19, 'f4 e4 d#4 e4 f4 e4 d#4 e4', '1f1=1 1f0 2f4=3 1f0 1f1=1 1f0 2f4=3 1f0', 'i m i m i m i m']]),
  ...at(70, 2, [[19, 'e2 f2 f#2 g2 g#2 a2 a#2 b2', '6f0 6f1=1 6f2=2 6f3=3 6f4=4 5f0 5f1=1 5f2=2', 'p p p p p p p p']]),
  ...at(60, 1, [
    [19, 'd3 c3 b2 a2', '4f0 5f3=3 5f2=2 5f0', 'p p p p'],
    [4, '[e2 g3 b3 e4] . [a2 a3 c4 e4] .', '6f0+3f0+2f0+1f0 5f0+3f2=2+2f1=1+1f0', 'pima pima'],
    [5, '[b3 d4] [a3 c4] [g3 b3]', '3f4=2+2f3=1 3f2=2+2f1=1 3f0+2f0', 'im im im'],
  ]),
  ...at(70, 4, [
    [19, 'a2 e4 e4 e4 a2 e4 e4 e4', '5f0 1f0 1f0 1f0 5f0 1f0 1f0 1f0', 'p a m i p a m i'],
    [19, 'd3 f4 f4 f4 d3 e4 e4 e4', '4f0 1f1=1 1f1=1 1f1=1 4f0 1f0 1f0 1f0', 'p a m i p a m i'],
    [19, 'g2 d4 d4 d4 c3 e4 e4 e4', '6f3=2 2f3=3 2f3=3 2f3=3 5f3=2 1f0 1f0 1f0', 'p a m i p a m i'],
  ]),
  ...at(60, 5, [
    [19, 'a2 e4 e4 e4 e4 b2 d4 d4 d4 d4', '5f0 1f0 1f0 1f0 1f0 5f2=2 2f3=3 2f3=3 2f3=3 2f3=3', 'p i a m i p i a m i'],
  ]),
];
