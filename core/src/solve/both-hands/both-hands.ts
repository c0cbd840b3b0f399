import type { Fact } from '../../fault/index.js';
import type { StoppedNote } from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import type { SearchWatch } from '../../search/index.js';
import type { Ticks } from '../../time/index.js';
import {
  fingerLine,
  type LineAnswer,
  type LineRefusal,
  type LineRemark,
  lineRemarks,
  lineSchool,
  lineScript,
  type LineStep,
  MELODY_SCHOOLS,
  type OfferedSchools,
  schoolsOfKind,
  TAUGHT,
  voiced,
} from '../finger-line/index.js';
import type { VoicingRefusal } from '../voicings/index.js';
import {
  fretFacts,
  type FretAnswer,
  fretLine,
  type FretLineRequest,
  type FretFacts,
  type FretRefusal,
  type ReadNotes,
  rightHandNotes,
  stoppedBy,
} from '../fret-line/index.js';

/** A line for both hands: the left hand's answer, the right hand's fingers for its strings, as script and stopped frets. */
export interface BothHands {
  readonly left: FretAnswer;
  readonly right: LineAnswer | null;
  /** Why the right hand has no fingers for it. */
  readonly fault: Fact<LineRefusal> | null;
  /** What the right hand minds of the best that there is: a finger twice in a row, one that comes late. */
  readonly minded: readonly LineRemark[];
  readonly script: string;
  /** Why the left hand stands where it does, note by note. */
  readonly reasons: readonly FretFacts[];
  readonly stopped: readonly StoppedNote[];
}
export type BothHandsResult =
  | {
      readonly answers: readonly BothHands[];
      /** Ways to finger it that are given for what its best answer is read as, and the others. */
      readonly offered: OfferedSchools;
      readonly infeasible?: undefined;
    }
  | { readonly infeasible: readonly Fact<FretRefusal | VoicingRefusal>[] };

/**
 * Frets a melody, then fingers each answer's strings with the right hand: thumb for basses that ring, fingers above.
 * @param rightSchool one of `MELODY_SCHOOLS`
 * @param bars lengths of the bars, for an order that begins afresh in each
 */
export function bothHands(
  read: ReadNotes,
  ask: Ask<Omit<FretLineRequest, 'events'>>,
  rightSchool = TAUGHT,
  watch: SearchWatch = {},
  bars?: readonly Ticks[],
): BothHandsResult {
  const request = settled<Omit<FretLineRequest, 'events'>>(ask);
  const left = fretLine({ ...request, events: read.events }, watch);
  if (left.infeasible) return left;
  const [best] = left.answers;
  const line = { notes: best ? rightHandNotes(read, best.steps) : [], bpm: request.bpm, profile: request.profile };
  return {
    offered: schoolsOfKind(line, MELODY_SCHOOLS),
    answers: left.answers.map((answer): BothHands => {
      const notes = rightHandNotes(read, answer.steps);
      const ask = voiced({
        notes,
        bpm: request.bpm,
        profile: request.profile,
        school: lineSchool(rightSchool),
        stroke: 'free' as const,
        k: 1,
        ...(bars ? { bars } : {}),
      });
      const found = fingerLine(ask, watch);
      const right = found.infeasible ? null : (found.answers[0] ?? null);
      const steps = read.steps.map((s): LineStep => {
        if (s.kind !== 'notes') return s;
        const note = notes[s.event];
        return note ? { kind: 'note', note, accent: read.accents[s.event] ?? false } : { kind: 'rest' };
      });
      return {
        left: answer,
        right,
        fault: found.infeasible?.[0] ?? null,
        minded: right ? lineRemarks(ask, right).filter((r) => MINDED.has(r.code)) : [],
        script: right ? lineScript(steps, right.steps, 'free') : '',
        reasons: fretFacts({ ...request, events: read.events }, answer.steps),
        stopped: stoppedBy(read, answer.steps),
      };
    }),
  };
}
const MINDED: ReadonlySet<LineRemark['code']> = new Set<LineRemark['code']>(['plays twice', 'comes late']);
