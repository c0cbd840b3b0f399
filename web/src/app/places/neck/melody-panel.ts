import { MatOptgroup } from '@angular/material/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  barTicks,
  type BothHands,
  type BothHandsResult,
  bpm,
  FRET_SCHOOLS,
  FRET_TERMS,
  fretSchool,
  MELODY_SCHOOLS,
  TAUGHT,
  neckOf,
  type RankedKey,
  readNotes,
  setCapo,
  transposeNotes,
} from '@ruffle-wheel/core';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import type { MelodyAsk } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { Collection, OpenStudy, TypedTexts } from '../../study';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { TryOut } from '../../parts/try-out/try-out';
import { SmallTablature } from '../../ui/small-tablature';
import { Notice } from '../../ui/notice';
import { answers as answersWords } from '../../words/answers';
import { neck as neckWords } from '../../words/neck';
import { ReadAs } from '../../ui/read-as';
import { KeyRanking } from './key-ranking';
import { SELECT } from '../../ui/select';
import { FIELD } from '../../ui/field';
import { sayFact, sayFacts, sayFault } from '../../words/said/faults';
import { sayFretting, sayKey } from '../../words/said/left-hand';
import { sayLineRemark } from '../../words/said/answers';
import { sayFretSchool, sayLineSchool } from '../../words/said/schools';

const ANSWERS = 3;
/** A melody stops all of its strings itself: no shape lies under it, and the neck walks through its notes. */
const NO_SHAPES = '';
/** Notes written out for each way; the wheel shows all. */
const SHOWN = 48;

/** A melody by note names, with basses that ring: string, fret and finger for the left hand, fingers for the right. */
@Component({
  selector: 'app-melody-panel',
  imports: [FIELD, SELECT, MatOptgroup, Working, AnswerButtons, KeyRanking, SmallTablature, ReadAs],
  template: `
    <div class="row-of">
      <mat-form-field class="wide"
        ><mat-label>{{ words.melody }}</mat-label
        ><textarea
          matInput
          #t
          data-first
          rows="3"
          spellcheck="false"
          [value]="text()"
          (input)="text.set(t.value)"
        ></textarea>
      </mat-form-field>
      <dl class="help soft">
        @for (h of words.melodyHelp; track h[0]) {
          <dt>
            <code data-own>{{ h[0] }}</code>
          </dt>
          <dd>{{ h[1] }}</dd>
        }
      </dl>
      <mat-form-field class="pair"
        ><mat-label>{{ words.leftFirst }}</mat-label
        ><mat-select [value]="school()" (selectionChange)="school.set($event.value)">
          @for (x of schools; track x.id) {
            <mat-option [value]="x.id" [title]="x.note">{{ x.name }}</mat-option>
          }
        </mat-select></mat-form-field
      >
      <mat-form-field class="pair"
        ><mat-label>{{ words.rightFirst }}</mat-label
        ><mat-select [value]="right()" (selectionChange)="right.set($event.value)">
          @for (x of given(); track x.id) {
            <mat-option [value]="x.id" [title]="x.note">{{ x.name }}</mat-option>
          }
          @if (folded().length) {
            <mat-optgroup [label]="answerWords.folded">
              <ng-container>
                @for (x of folded(); track x.id) {
                  <mat-option [value]="x.id" [title]="x.note">{{ x.name }}</mat-option>
                }
              </ng-container>
            </mat-optgroup>
          }
        </mat-select></mat-form-field
      >
      @if (kinds().length) {
        <p class="soft help"><app-read-as [kinds]="kinds()" [folded]="folded().length > 0" /></p>
      }
      @for (f of faults(); track $index) {
        <p class="fault" role="alert">{{ f }}</p>
      }
      <app-working [asking]="asking" />
      @if (rows().length) {
        <h3>{{ words.melodyFound }}</h3>
      }
      @for (r of rows(); track r.n) {
        <section>
          <p class="soft">
            <b>{{ r.n + 1 }}</b> · {{ words.points(r.total) }} · {{ r.why }}
          </p>
          <app-small-tablature [label]="words.melodyWay(r.n + 1)" [columns]="r.columns" />
          @for (m of r.minded; track $index) {
            <p class="fault">{{ m }}</p>
          }
          @if (r.more) {
            <p class="soft">{{ words.moreNotes }}</p>
          }
          <details #why (toggle)="reasoned(r.n, why.open)">
            <summary>{{ words.reasons }}</summary>
            @if (reasonsOpen().has(r.n)) {
              <ol class="reasons soft">
                @for (x of r.reasons; track $index) {
                  <li [class.dear]="x.faults.length > 0">{{ x.text }}</li>
                }
              </ol>
            }
          </details>
          @if (r.fault) {
            <p class="fault">{{ r.fault }}</p>
          } @else {
            <p class="buttons">
              <app-answer-buttons [key]="'melody ' + r.n" [shown]="r.shown" [name]="'' + (r.n + 1)" />
            </p>
          }
        </section>
      }
      @if (ask()) {
        <app-key-ranking [passage]="ask()!" [heard]="heardKey()" (hear)="hearKey($event)" (take)="takeKey($event)" />
      }
    </div>
  `,
  styleUrl: './panels.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MelodyPanel {
  protected readonly words = neckWords.neck;
  protected readonly answerWords = answersWords.answer;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  private readonly tryOut = inject(TryOut);
  private readonly notice = inject(Notice);
  protected readonly reasonsOpen = signal<ReadonlySet<number>>(new Set());
  protected readonly schools = FRET_SCHOOLS.map(({ id }) => ({ id, ...sayFretSchool(id) }));
  protected readonly text = inject(TypedTexts).of('melody');
  protected readonly school = signal(FRET_SCHOOLS[0]?.id ?? '');
  protected readonly right = signal<string>(TAUGHT);
  /** Ways to finger it that are given for what it is read as, and the others; all of them until it has been read. */
  private readonly offered = computed(() => {
    const answer = this.seen()?.answer;
    return answer && !answer.infeasible ? answer.offered : null;
  });
  private static readonly named = (schools: readonly { readonly id: string }[]) =>
    schools.map(({ id }) => ({ id, ...sayLineSchool(id) }));
  protected readonly given = computed(() => MelodyPanel.named(this.offered()?.given ?? MELODY_SCHOOLS));
  protected readonly folded = computed(() => MelodyPanel.named(this.offered()?.folded ?? []));
  protected readonly kinds = computed(() => this.offered()?.kinds ?? []);
  private readonly steps = computed(() => this.open.written()?.stepsPerCount ?? 2);
  private readonly tempo = computed(() => this.open.written()?.bpm ?? 0);
  private readonly instrument = computed(() => this.open.study()?.instrument);
  private readonly read = computed(() => readNotes(this.text(), this.steps(), this.instrument()));

  protected readonly ask = computed((): MelodyAsk | null => {
    const study = this.open.study();
    const read = this.read();
    if (!study || read.events.length === 0 || read.faults.length) return null;
    const profile = this.collection.profile();
    // The written capo: one that is only tried out asks for nothing anew.
    const neck = neckOf(profile, study.instrument.capo);
    const cycle = this.open.written()?.cycle;
    return {
      read,
      right: this.right(),
      bars: cycle ? barTicks(cycle) : undefined,
      request: {
        tuning: study.instrument.tuning,
        neck,
        profile,
        bpm: bpm(this.tempo()),
        school: fretSchool(this.school()),
        k: ANSWERS,
      },
    };
  });
  protected readonly asking = new Asking<MelodyAsk, BothHandsResult>(this.ask, (ask, progress) =>
    this.solve.melody(ask, progress),
  );
  private readonly seen = computed(() => (this.ask() ? this.asking.latest() : null));
  protected readonly faults = computed(() => [
    ...this.read().faults.slice(0, 5).map(sayFault),
    ...sayFacts(this.seen()?.answer.infeasible ?? []),
  ]);
  protected readonly rows = computed(() => {
    const answer = this.seen()?.answer;
    return !answer || answer.infeasible ? [] : answer.answers.map((a, n) => this.row(a, n));
  });
  private row({ left, right, fault, minded, script, stopped, reasons }: BothHands, n: number) {
    const paid = FRET_TERMS.filter((t) => left.cost[t] > 0).sort((a, b) => left.cost[b] - left.cost[a]);
    const shown = left.steps.slice(0, SHOWN);
    return {
      n,
      total: left.total,
      why: paid.map((t) => this.words.paid(this.words.melodyTerms[t], left.cost[t])).join(' · '),
      columns: shown.map((placed, i) => ({
        notes: placed.map(({ string, fret, finger }) => ({ string, fret, left: fret > 0 ? String(finger) : '' })),
        right: right?.steps[i]?.join('') ?? '',
      })),
      more: left.steps.length > SHOWN,
      reasons: reasons.slice(0, SHOWN).map(sayFretting),
      fault: fault && sayFact(fault),
      minded: minded.map(sayLineRemark),
      shown: { script, stepsPerCount: this.steps(), stopped, chart: NO_SHAPES },
    };
  }
  protected reasoned(n: number, open: boolean) {
    this.reasonsOpen.update((before) => new Set([...before].filter((x) => x !== n).concat(open ? [n] : [])));
  }
  /** The passage in another key, under another capo. */
  private inKey({ transposed, capo }: RankedKey): MelodyAsk | null {
    const ask = this.ask();
    if (!ask) return null;
    const instrument = this.instrument();
    const tuned = instrument && { ...instrument, capo };
    const read = readNotes(transposeNotes(this.text(), transposed, instrument), this.steps(), tuned);
    return { ...ask, read, request: { ...ask.request, neck: { ...ask.request.neck, capo }, k: 1 } };
  }
  /** Best fingers of both hands in that key, heard in place of the pattern; a second press goes back. */
  protected async hearKey(key: RankedKey) {
    const name = `key ${sayKey(key)}`;
    if (this.tryOut.shown() === name) return this.tryOut.leave();
    const ask = this.inKey(key);
    const answer = ask ? await this.solve.melody(ask, () => undefined).catch(() => null) : null;
    const best = !answer || answer.infeasible ? null : (answer.answers[0] ?? null);
    if (!best?.right) return this.notice.say(best?.fault ? sayFact(best.fault) : this.words.keyUnplayed);
    this.tryOut.show(name, {
      script: best.script,
      stepsPerCount: this.steps(),
      stopped: best.stopped,
      chart: NO_SHAPES,
      capo: key.capo,
    });
  }
  protected readonly heardKey = computed(() => /^key (.*)$/.exec(this.tryOut.shown() ?? '')?.[1] ?? '');
  /** The melody is written in the other key, and the study gets the capo. */
  protected takeKey({ transposed, capo }: RankedKey) {
    this.tryOut.leave();
    this.open.apply(setCapo(capo));
    this.text.set(transposeNotes(this.text(), transposed, this.instrument()));
  }
}
