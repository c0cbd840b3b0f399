import type {
  AccentCycle,
  BassAnswer,
  BassFacts,
  BassRefusal,
  BassRequest,
  BothHandsResult,
  CompAnswer,
  CompFacts,
  CompRefusal,
  CompRequest,
  CompText,
  Course,
  DataFault,
  Easier,
  Fact,
  Finding,
  FitRequest,
  FitResult,
  FretLineRequest,
  FrettedShape,
  HandProfile,
  HandsWish,
  KeyRequest,
  LineRequest,
  Kind,
  LineResult,
  NamedChart,
  OrderedChart,
  PlannedSession,
  RankedKey,
  ReadingRequest,
  ReadNotes,
  Remedy,
  RowRequest,
  RowResult,
  SchoolLine,
  Section,
  SectionHands,
  SessionRequest,
  SectionKeyRefusal,
  StartingPoint,
  Study,
  ToldFalseta,
  Trial,
  UnrolledForm,
  VoicingRequest,
  VoicingResult,
  WrittenBars,
  LogEntry,
  PlannedBlock,
  TimeKeeping,
} from '@ruffle-wheel/core';

import type { SentReading } from './page-reading';

/** What the reading worker can be asked. Types only: the machinery stands in the clients and the workers. */
export interface Computer {
  readForPage(request: ReadingRequest): SentReading;
  writtenBars(request: ReadingRequest, from: number, to: number): WrittenBars;
  unrollForm(study: Study): UnrolledForm;
  /** As text, for it is long; `null` where the form has no such part. */
  piecePlan(study: Study, first: number, keeping: TimeKeeping): string;
  courseFor(section: Section, study: Study, hand: HandProfile, id: string, begun: string): Course;
  takeLog(id: string, lines: readonly LogEntry[]): void;
  planSession(request: Omit<SessionRequest, 'log'>, log: string, lines: number): PlannedSession;
  planSet(studies: readonly Study[]): readonly PlannedBlock[];
  startingPoints(cycle: AccentCycle, profile: HandProfile): StartingPoint[];
}
/** Told from time to time how far a solver has come, 0…1. */
export type Progress = (share: number) => void;
/** A line under every school, and the school that is looked at in its k best fingerings. */
export interface LineAsk {
  readonly line: Omit<LineRequest, 'school' | 'k'>;
  readonly school: LineRequest['school'];
  readonly k: number;
}
export interface LineAnswers {
  readonly schools: readonly SchoolLine[];
  readonly best: LineResult;
  /** Schools that no teacher gives for what the line is. */
  readonly folded: readonly string[];
  readonly kinds: readonly Kind[];
}
/** Shapes for a chord or for notes, and substitutes for a chord's that is too hard: the shape given, or the best found. */
export interface ShapeAsk {
  /** As the player calls it. */
  readonly name: string;
  readonly request: VoicingRequest;
  readonly hard: FrettedShape | null;
}
export interface ShapeAnswers {
  readonly found: VoicingResult;
  readonly easier: readonly Easier[];
}
/** A melody by note names for both hands. */
export interface MelodyAsk {
  readonly read: ReadNotes;
  readonly request: Omit<FretLineRequest, 'events'>;
  /** The right hand's way, and where bars begin for an order that starts afresh in each. */
  readonly right: LineRequest['school']['id'];
  readonly bars: LineRequest['bars'];
}
/** An accompaniment with its text and what is to be known of it. */
export interface CompWay {
  readonly answer: CompAnswer;
  readonly text: CompText;
  readonly facts: CompFacts;
}
export interface CompAsk extends CompRequest {
  /** Charts that are to be ordered under the same figure. */
  readonly charts?: readonly NamedChart[];
}
export interface CompAnswers {
  readonly charts: readonly OrderedChart[];
  readonly ways: readonly CompWay[];
  readonly infeasible: readonly Fact<CompRefusal>[];
}
/** Other basses for what the thumb plays in a section. */
export interface BassAsk {
  readonly study: Study;
  readonly section: string;
  readonly profile: HandProfile;
  readonly wishes: Pick<BassRequest, 'habit' | 'approach' | 'k'>;
}
/** A bass line as it would be written, with what is to be known of each of its notes. */
export interface BassAnswers {
  readonly ways: readonly {
    readonly answer: BassAnswer;
    readonly facts: readonly BassFacts[];
    readonly script: string;
    /** When each note comes, and the chord it is played on. */
    readonly places: readonly { readonly at: number; readonly chord: string }[];
  }[];
  readonly infeasible: readonly Fact<BassRefusal>[];
}
/** A piece and the hands it is judged for. */
export interface PieceAsk {
  readonly study: Study;
  readonly profile: HandProfile;
}
/** Findings of a piece for which a way out is looked for. */
export interface RemediesAsk extends PieceAsk {
  readonly findings: readonly Finding[];
}
/** A falseta as it is typed, for a section from a bar on. */
export interface FalsetaAsk extends PieceAsk {
  readonly section: string;
  readonly bar: number;
  readonly text: string;
}
/** How both hands are to go over a section. */
export interface HandsAsk extends PieceAsk {
  readonly section: string;
  readonly wish: HandsWish;
}
/** A section, or some bars of it alone. */
export interface KeysAsk extends PieceAsk {
  readonly section: string;
  /** First and last bar, counted from 0; they stay under the capo that is on. */
  readonly bars: readonly [number, number] | null;
}
/** A section in its easiest keys, each with what it would be there, or why it can't be. */
/** A key with what is made of the section in it, or why nothing can be. */
export interface KeyAnswer {
  readonly key: RankedKey;
  readonly made: Trial | Fact<SectionKeyRefusal> | DataFault;
}
export interface KeyAnswers {
  readonly keys: readonly KeyAnswer[];
  readonly refusal: Fact<SectionKeyRefusal> | null;
  /** The bars that were asked about can't be cut out. */
  readonly uncut: boolean;
}
/** What the solver worker can be asked. */
export interface Solver {
  fitCycle(request: FitRequest, progress: Progress): FitResult;
  fingerLine(request: LineAsk, progress: Progress): LineAnswers;
  voicings(request: ShapeAsk, progress: Progress): ShapeAnswers;
  bothHands(ask: MelodyAsk, progress: Progress): BothHandsResult;
  rankKeys(request: KeyRequest, progress: Progress): RankedKey[];
  shapeRow(request: RowRequest, progress: Progress): RowResult;
  comp(request: CompAsk, progress: Progress): CompAnswers;
  bassLine(ask: BassAsk, progress: Progress): BassAnswers;
  falseta(ask: FalsetaAsk): ToldFalseta | null;
  hands(ask: HandsAsk): SectionHands | null;
  conflicts(ask: PieceAsk): Finding[];
  /** For each finding what would end it. */
  remedies(ask: RemediesAsk): Remedy[][];
  sectionKeys(ask: KeysAsk, progress: Progress): KeyAnswers;
}
