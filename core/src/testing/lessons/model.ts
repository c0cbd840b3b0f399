import type { Kind } from '../../passage/index.js';

/** A lesson: music by strings, and the right hand's fingers that are taught for it first. */
export interface Lesson {
  /** What it is read as, stretch by stretch. */
  readonly kinds: readonly Kind[];
  /** The judgement of a teacher that it stands for: a number of the list in docs/decisions.md, *Judgements*. */
  readonly rule: number;
  /** As a line is typed: digits are steps, [51] together, . a rest, - a hold. */
  readonly music: string;
  /** A word a note, from the thickest string on. */
  readonly fingers: string;
  /** Counts a minute, and steps to a count. */
  readonly bpm: number;
  readonly steps: number;
  /** It was right before passages were read as they are, and must stay so; every other was wrong in a door at least. */
  readonly guard: boolean;
}
/** Lines of a kind, or of several one after another, at one tempo: rule, music and fingers. */
export const lessons = (
  kind: Kind | readonly Kind[],
  { bpm = 100, steps = 2 }: { readonly bpm?: number; readonly steps?: number },
  list: readonly (readonly [rule: number, music: string, fingers: string, guard?: 'guard'])[],
): readonly Lesson[] =>
  list.map(([rule, music, fingers, guard]) => ({
    kinds: [kind].flat(),
    rule,
    music,
    fingers,
    bpm,
    steps,
    guard: guard !== undefined,
  }));
