import { Injectable, signal } from '@angular/core';
import type {
  AccentCycle,
  Course,
  HandProfile,
  PiecePlan,
  Plan,
  PlannedSession,
  ReadingRequest,
  SessionRequest,
  StartingPoint,
  Study,
  UnrolledForm,
  WrittenBars,
  TimeKeeping,
  PlannedBlock,
} from '@ruffle-wheel/core';
import { newId } from '../data/new-id';
import { inParts } from './log-in-parts';
import { arrived, type PageReading, type SentReading } from './page-reading';
import type { Computer } from './protocol';
import { WorkerDied, WorkerLink } from './worker-link';

/** A reading with the request it answers. */
export interface AnsweredReading {
  readonly request: ReadingRequest;
  readonly reading: PageReading;
}
/** A reading takes some milliseconds; a worker that is silent for so long has died. */
const SILENT_MS = 15_000;

/**
 * The only door to the solvers. One request runs at a time; while it runs only the newest one waits,
 * so that fast typing never queues up work nobody will look at.
 */
@Injectable({ providedIn: 'root' })
export class Compute {
  private readonly link = new WorkerLink<Computer>(
    () => new Worker(new URL('./reading.worker', import.meta.url), { type: 'module', name: 'reading' }),
  );
  private waiting: ReadingRequest | null = null;
  private running = false;
  private readonly latest = signal<AnsweredReading | null>(null);
  private readonly failed = signal<{ readonly request: ReadingRequest; readonly why: string } | null>(null);
  readonly answered = this.latest.asReadonly();
  /** The latest request that got no answer, and why; null when there is one. */
  readonly failure = this.failed.asReadonly();

  protected read(request: ReadingRequest): Promise<SentReading> {
    return this.link.ask((computer) => computer.readForPage(request), SILENT_MS);
  }

  /** Asks for a reading; the answer arrives in `answered`, unless a newer request has overtaken it. */
  ask(request: ReadingRequest) {
    this.waiting = request;
    if (!this.running) void this.run();
  }
  /** Ways to begin on a cycle. */
  startingPoints(cycle: AccentCycle, profile: HandProfile): Promise<StartingPoint[]> {
    return this.link.ask((computer) => computer.startingPoints(cycle, profile), SILENT_MS);
  }
  /** A section's own course. */
  courseFor(...asked: Parameters<Computer['courseFor']>): Promise<Course> {
    return this.link.ask((computer) => computer.courseFor(...asked), SILENT_MS);
  }
  /** A session of so many minutes. */
  async planSession({ log, ...rest }: SessionRequest): Promise<PlannedSession> {
    const id = newId();
    await inParts(log, (lines) => this.link.ask((computer) => computer.takeLog(id, lines), SILENT_MS));
    return this.link.ask((computer) => computer.planSession(rest, id, log.length), SILENT_MS);
  }
  /** Pieces one after the other, with what has to be done to the guitar between them. */
  planSet(studies: readonly Study[]): Promise<readonly PlannedBlock[]> {
    return this.link.ask((computer) => computer.planSet(studies), SILENT_MS);
  }
  /** Bars of a section as they are written. */
  writtenBars(request: ReadingRequest, from: number, to: number): Promise<WrittenBars> {
    return this.link.ask((computer) => computer.writtenBars(request, from, to), SILENT_MS);
  }
  /** The study's form written out. */
  unrollForm(study: Study): Promise<UnrolledForm> {
    return this.link.ask((computer) => computer.unrollForm(study), SILENT_MS);
  }
  /** The whole piece to be played from one of its parts on; null where there is none. */
  async piecePlan(study: Study, first: number, keeping: TimeKeeping): Promise<PiecePlan | null> {
    const text = await this.link.ask((computer) => computer.piecePlan(study, first, keeping), SILENT_MS);
    return JSON.parse(text) as PiecePlan | null;
  }
  /** What a section that is not open would sound like. */
  async planOf(request: ReadingRequest): Promise<Plan> {
    return arrived(await this.read(request)).plan;
  }
  /** Asks anew what got no answer. */
  again() {
    const failed = this.failed();
    if (failed) this.ask(failed.request);
  }

  private async run() {
    this.running = true;
    while (this.waiting) {
      const request = this.waiting;
      this.waiting = null;
      try {
        const reading = await this.twice(request);
        this.failed.set(null);
        if (!this.waiting) this.latest.set({ request, reading: arrived(reading) });
      } catch (e) {
        if (!this.waiting) this.failed.set({ request, why: e instanceof Error ? e.message : String(e) });
      }
    }
    this.running = false;
  }
  /** A worker that died is started again once before anybody is told. */
  private async twice(request: ReadingRequest): Promise<SentReading> {
    try {
      return await this.read(request);
    } catch (e) {
      if (!(e instanceof WorkerDied) || this.waiting) throw e;
      return this.read(request);
    }
  }
}
