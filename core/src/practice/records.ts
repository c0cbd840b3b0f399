import type { Finger } from '../stroke/index.js';

/** What of a piece practice is about: a study, a section of it, a drill; less is more of it. */
export interface PracticeMatter {
  readonly studyId: string;
  readonly sectionId?: string;
  readonly drill?: string;
}

/** What a player works towards over weeks. */
export const GOAL_KINDS = ['by a date', 'tempo', 'form from memory', 'finger pair'] as const;
export interface Goal {
  readonly id: string;
  readonly name: string;
  readonly kind: (typeof GOAL_KINDS)[number];
  /** None of a pair of fingers, which belongs to the hand. */
  readonly about?: PracticeMatter;
  readonly bpm?: number;
  readonly pair?: readonly [Finger, Finger];
  /** ISO day by which it is to stand. */
  readonly by?: string;
  /** So many minutes on so many days. */
  readonly minutesADay?: number;
  readonly days?: number;
  /** ISO days. */
  readonly begun: string;
  readonly reached?: string;
  readonly note: string;
}

/** What is struck in a step of a course. */
export const COURSE_WHATS = [
  'right hand alone',
  'dead strings',
  'accents only',
  'one chord',
  'all chords',
  'as written',
  'faster',
  'own',
] as const;
/** What has to hold before the next step: so many clean passes in a row, on so many days, marked by the player or heard. */
export interface Gate {
  readonly clean: number;
  readonly days: number;
  readonly by: 'mark' | 'sound';
}
export interface CourseStep {
  readonly what: (typeof COURSE_WHATS)[number];
  /** Of a step of one's own: what is to be done; else '' or a word about it. */
  readonly text: string;
  readonly drill?: string;
  readonly bpm: number | null;
  readonly minutes?: number;
  readonly gate: Gate;
  /** ISO days on which its gate was passed. */
  readonly passed: readonly string[];
}
/** Ordered steps of a piece of work; a teacher writes one into a student's file. */
export interface Course {
  readonly id: string;
  readonly name: string;
  readonly about: PracticeMatter;
  readonly steps: readonly CourseStep[];
  /** ISO day. */
  readonly begun: string;
  readonly note: string;
}

export const BLOCK_KINDS = [
  'warm-up',
  'right hand',
  'block chords',
  'together',
  'hard change',
  'weak pair',
  'burst',
  'check',
  'form',
  'course',
  'break',
  'own',
] as const;
/** How a block went: what was not clean comes first next time. */
export const BLOCK_ENDS = ['clean', 'not clean', 'skipped'] as const;
export interface PlannedBlock {
  readonly kind: (typeof BLOCK_KINDS)[number];
  readonly about?: PracticeMatter;
  /** The step of a course, or the goal, that it serves. */
  readonly course?: string;
  readonly step?: number;
  readonly goal?: string;
  readonly bpm: number | null;
  readonly minutes: number;
  /** Why it is there: a fact. */
  readonly why: { readonly code: string; readonly about: readonly (string | number)[] };
  readonly done?: { readonly minutes: number; readonly end: (typeof BLOCK_ENDS)[number]; readonly tension: boolean };
}
/** A session as it was planned, with what became of it. */
export interface SessionPlan {
  readonly id: string;
  /** ISO date and time at which it was made. */
  readonly startedAt: string;
  readonly minutes: number;
  readonly blocks: readonly PlannedBlock[];
}

/** Where a take's sound came from. */
export const TAKE_SOURCES = ['microphone', 'file', 'stand-in', 'taps'] as const;
/** Spacing and loudness of one finger, joint, count, bar or place. */
export interface TakeMeasure {
  readonly of: string;
  readonly n: number;
  readonly meanMs: number;
  readonly spreadMs: number;
  readonly loudness: number;
}
/** What was measured of a take; the sound itself is kept apart. */
export interface TakeResult {
  readonly planned: number;
  readonly matched: number;
  readonly missed: number;
  readonly doubled: number;
  readonly extra: number;
  /** Constant lateness and drift that were taken out. */
  readonly offsetMs: number;
  readonly driftPercent: number;
  readonly spreadMs: number;
  /** 0…1: how sure the alignment is. */
  readonly trust: number;
  readonly measures: readonly TakeMeasure[];
}
/** What is kept of a take beside its sound. */
export interface TakeRecord {
  readonly id: string;
  readonly about: PracticeMatter;
  readonly studyName: string;
  readonly sectionName: string;
  /** ISO date and time. */
  readonly startedAt: string;
  readonly bpm: number;
  readonly seconds: number;
  readonly source: (typeof TAKE_SOURCES)[number];
  /** The hand that played. */
  readonly profileId: string;
  readonly result: TakeResult | null;
  readonly note: string;
}
/** Bounds of what is kept. */
export const MOST_COURSE_STEPS = 40;
export const MOST_PLANNED_BLOCKS = 60;
export const MOST_TAKE_MEASURES = 200;
export const LONGEST_RECORD_NOTE = 2_000;
