import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import {
  comeRound,
  drillsFor,
  type Finger,
  FINGERS,
  fingersOf,
  parseScript,
  printScript,
  printStep,
  startDrills,
  vary,
} from '@ruffle-wheel/core';
import { AskedDrills, Collection, OpenStudy } from '../../study';
import { wheel as wheelWords } from '../../words/wheel';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { MatButton } from '@angular/material/button';
import { FIELD } from '../../ui/field';
import { sayComeRound } from '../../words/said/strokes';

/** Starts shown in the table. */
const SHOWN = 8;
/** Longer orders say nothing that a player can keep in mind. */
const LONGEST_ORDER = 12;

/** Every start of the pattern ranked by how well it meets the accents, and where a finger order comes round. */
@Component({
  selector: 'app-starts-table',
  imports: [FIELD, MatButton, AnswerButtons],
  templateUrl: './starts-table.html',
  styleUrl: './starts-table.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartsTable {
  protected readonly words = wheelWords.starts;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly drills = inject(AskedDrills);
  private readonly router = inject(Router);

  /** The written pattern, whatever start is tried out. */
  private readonly pattern = computed(() => {
    const written = this.open.written();
    return written ? parseScript(written.script, written).pattern : null;
  });
  protected readonly rows = computed(() => {
    const pattern = this.pattern();
    const written = this.open.written();
    const reading = this.open.writtenReading();
    if (!pattern || !written || !reading) return [];
    const percent = (n: number) => Math.round(n * 100);
    const { rotations, flat } = reading;
    const shown = rotations.slice(0, SHOWN);
    const own = rotations.find((r) => r.slot === 0);
    if (own && !shown.includes(own)) shown.push(own);
    return shown.map((r) => {
      const step = flat.slots[r.slot]?.step;
      return {
        slot: r.slot,
        name: this.words.stepNamed(r.slot + 1),
        step: step ? printStep(step, this.collection.profile().littleFinger) : '',
        all: percent(r.overall),
        first: percent(r.firstTurn),
        written: r.slot === 0,
        shown: {
          script: printScript(vary(pattern, { kind: 'rotation', start: r.slot })),
          stepsPerCount: written.stepsPerCount,
          start: written.start,
        },
      };
    });
  });
  protected readonly hidden = computed(() => {
    const all = this.open.writtenReading()?.rotations.length ?? 0;
    return Math.max(0, all - this.rows().length);
  });
  protected readonly startDrills = computed(() => {
    const pattern = this.pattern();
    return pattern ? startDrills(drillsFor(pattern)).map((d) => d.key) : [];
  });

  private readonly typedOrder = signal<string | null>(null);
  /** The pattern's own fingers, one after another, until the player writes others. */
  protected readonly orderFingers = computed(() => {
    const typed = this.typedOrder();
    if (typed !== null) return typed;
    const own = (this.open.writtenReading()?.flat.events ?? []).map((e) => fingersOf(e.motion));
    const single = own.every((f) => f.length === 1) && own.length > 0 && own.length <= LONGEST_ORDER;
    return single ? own.map((f) => f[0]).join('') : 'pami';
  });
  protected readonly orderGroup = signal(3);
  /** Where a finger order comes round against groups, and what begins each group. */
  protected readonly order = computed(() => {
    const fingers = [...this.orderFingers()].filter((f): f is Finger => FINGERS.includes(f as Finger));
    const found = comeRound(fingers, this.orderGroup());
    return found.notes ? `${sayComeRound(found)}.` : '';
  });
  protected writeOrder(text: string) {
    this.typedOrder.set(text);
  }
  protected practise() {
    this.drills.ask(this.startDrills());
    void this.router.navigateByUrl('/practise');
  }
}
