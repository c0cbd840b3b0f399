import type { ChordRefusal } from '../../chord/index.js';
import type { Fact } from '../../fault/index.js';
import type { Neck, Tuning } from '../../instrument/index.js';
import { FINGERING_TERMS, type Shape, type ShapeWeights } from '../../left-hand/index.js';
import type { HandProfile } from '../../player/index.js';
import type { FoundPath } from '../../search/index.js';
import type { StringNumber } from '../../time/index.js';

/** Rows of chords are comping: shapes on fewer strings are a last resort. */
export const LEAST_STRINGS = 4;
export interface VoicingRequest {
  /** A chord symbol; or else `notes`. */
  readonly chord?: string;
  /** MIDI pitches that must sound, each once and no other. */
  readonly notes?: readonly number[];
  readonly tuning: Tuning;
  /** Scale, spacing and capo. */
  readonly neck: Neck;
  readonly profile: HandProfile;
  /** Strings that may sound; default all six. */
  readonly strings?: readonly StringNumber[];
  /** Strings that must sound at least; default 3. */
  readonly atLeast?: number;
  /** From the capo on; default 12, up to 15. */
  readonly highestFret?: number;
  /** Open strings: as they come, none, or at least one. */
  readonly open?: 'any' | 'none' | 'some';
  readonly barre?: boolean;
  /** 'root': the lowest note is the root, or the bass named after the slash. Else other basses only cost. */
  readonly bass?: 'root' | 'any';
  /** Nothing beyond this hand's ease. */
  readonly easy?: boolean;
  readonly weights?: ShapeWeights;
  readonly k?: number;
}
export const VOICING_TERMS = [...FINGERING_TERMS, 'mutes', 'missing', 'bass', 'height', 'mud', 'thin', 'form'] as const;
export type VoicingTerm = (typeof VOICING_TERMS)[number];
export type FrettedShape = Pick<Shape, 'frets' | 'fingers'>;
export type VoicingAnswer = FoundPath<FrettedShape, VoicingTerm>;
/** Limits of a request that may be loosened. */
export type VoicingLimit = 'strings' | 'no open' | 'some open' | 'no barre' | 'root in the bass' | 'easy' | 'low';
/** Why there is no shape, or a shape is no answer. */
export type VoicingRefusal =
  | ChordRefusal
  | 'highest fret'
  | 'nothing named'
  | 'note named twice'
  | 'tone not asked for'
  | 'note sounds twice'
  | 'too few strings'
  | 'tone missing'
  | 'another bass'
  | 'lower than the first'
  | 'no string open'
  | 'no barre wanted'
  | 'no shape';
export type VoicingResult =
  | { readonly answers: readonly VoicingAnswer[]; readonly looked: number; readonly infeasible?: undefined }
  | { readonly infeasible: readonly Fact<VoicingRefusal>[] };
