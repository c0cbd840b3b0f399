import { Injectable } from '@angular/core';
import type {
  BothHandsResult,
  Finding,
  FitRequest,
  FitResult,
  KeyRequest,
  RankedKey,
  Remedy,
  RowRequest,
  RowResult,
  SectionHands,
  ToldFalseta,
} from '@ruffle-wheel/core';
import type {
  BassAnswers,
  BassAsk,
  CompAnswers,
  CompAsk,
  FalsetaAsk,
  HandsAsk,
  KeyAnswers,
  KeysAsk,
  LineAnswers,
  LineAsk,
  MelodyAsk,
  PieceAsk,
  Progress,
  RemediesAsk,
  ShapeAnswers,
  ShapeAsk,
  Solver,
} from './protocol';
import { Overtaking } from './overtaking';

/**
 * The solvers' own worker, apart from the one that reads while the player types. A newer request ends
 * the one still running, at once: its worker is dropped and the next one starts afresh.
 */
@Injectable({ providedIn: 'root' })
export class Solve extends Overtaking<Solver> {
  constructor() {
    super(() => new Worker(new URL('./solver.worker', import.meta.url), { type: 'module', name: 'solver' }));
  }
  /** @returns null when a newer request has overtaken this one, or it was cancelled */
  fit(request: FitRequest, progress: Progress): Promise<FitResult | null> {
    return this.run<FitResult>(async (solver) => solver.fitCycle(request, this.told(progress)));
  }
  /** A line under every school, one of them in its best few. @returns null when overtaken or cancelled */
  line(request: LineAsk, progress: Progress): Promise<LineAnswers | null> {
    return this.run<LineAnswers>(async (solver) => solver.fingerLine(request, this.told(progress)));
  }
  /** Shapes for a chord with easier substitutes. @returns null when overtaken or cancelled */
  shapes(request: ShapeAsk, progress: Progress): Promise<ShapeAnswers | null> {
    return this.run<ShapeAnswers>(async (solver) => solver.voicings(request, this.told(progress)));
  }
  /** A melody fretted and fingered. @returns null when overtaken or cancelled */
  melody(ask: MelodyAsk, progress: Progress): Promise<BothHandsResult | null> {
    return this.run<BothHandsResult>(async (solver) => solver.bothHands(ask, this.told(progress)));
  }
  /** Every transposition and capo place of a passage. @returns null when overtaken or cancelled */
  keys(request: KeyRequest, progress: Progress): Promise<RankedKey[] | null> {
    return this.run<RankedKey[]>(async (solver) => solver.rankKeys(request, this.told(progress)));
  }
  /** Shapes for a row of chords with least movement. @returns null when overtaken or cancelled */
  row(request: RowRequest, progress: Progress): Promise<RowResult | null> {
    return this.run<RowResult>(async (solver) => solver.shapeRow(request, this.told(progress)));
  }
  /** An accompaniment over a chart in its best few. @returns null when overtaken or cancelled */
  comp(request: CompAsk, progress: Progress): Promise<CompAnswers | null> {
    return this.run<CompAnswers>(async (solver) => solver.comp(request, this.told(progress)));
  }
  /** A bass line in its best few. @returns null when overtaken or cancelled */
  bass(ask: BassAsk, progress: Progress): Promise<BassAnswers | null> {
    return this.run<BassAnswers>(async (solver) => solver.bassLine(ask, this.told(progress)));
  }
  /** A falseta read and put into its section. @returns null when overtaken or cancelled */
  falseta(ask: FalsetaAsk): Promise<ToldFalseta | null> {
    return this.run<ToldFalseta | null>(async (solver) => solver.falseta(ask));
  }
  /** Both hands over a section in their best few ways. @returns null when overtaken or cancelled */
  hands(ask: HandsAsk): Promise<SectionHands | null> {
    return this.run<SectionHands | null>(async (solver) => solver.hands(ask));
  }
  /** Everything that stands against a piece. @returns null when overtaken or cancelled */
  conflicts(ask: PieceAsk): Promise<Finding[] | null> {
    return this.run<Finding[]>(async (solver) => solver.conflicts(ask));
  }
  /** What would end each finding, tried out. @returns null when overtaken or cancelled */
  remedies(ask: RemediesAsk): Promise<Remedy[][] | null> {
    return this.run<Remedy[][]>(async (solver) => solver.remedies(ask));
  }
  /** A section in its easiest keys and capo places. @returns null when overtaken or cancelled */
  sectionKeys(ask: KeysAsk, progress: Progress): Promise<KeyAnswers | null> {
    return this.run<KeyAnswers>(async (solver) => solver.sectionKeys(ask, this.told(progress)));
  }
}

/** A worker of its own for what takes seconds, so that it and shorter answers don't end each other. */
@Injectable({ providedIn: 'root' })
export class LongSolve extends Solve {}
