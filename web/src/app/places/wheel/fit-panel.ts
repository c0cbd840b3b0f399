import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import {
  bpm,
  cleanName,
  fitFacts,
  FIT_SCHOOLS,
  FIT_TERMS,
  type FitAnswer,
  fitCell,
  type FitRequest,
  type FitResult,
  fitScript,
  flatten,
  parseScript,
  placeLabel,
  printScript,
  STEPS_PER_COUNT,
  type Ticks,
  ticks,
  TICKS_PER_COUNT,
  weakestJoint,
  paidTerms,
} from '@ruffle-wheel/core';
import { Solve } from '../../compute/solve';
import { AskedDrills, Collection, OpenStudy, TypedTexts } from '../../study';
import { Notice } from '../../ui/notice';
import { RovingGroup, RovingItem } from '../../ui/roving';
import { wheel as wheelWords } from '../../words/wheel';
import { answers as answersWords } from '../../words/answers';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { Asking } from '../../parts/asking/asking';
import { TryOut } from '../../parts/try-out/try-out';
import { Working } from '../../parts/asking/working';
import { SELECT } from '../../ui/select';
import { MatButton } from '@angular/material/button';
import { Toggle } from '../../ui/toggle';
import { FIELD } from '../../ui/field';
import { sayCellFaults } from '../../words/said/faults';
import { sayFit } from '../../words/said/answers';
import { sayFacts } from '../../words/said/faults';
import { sayFitSchool } from '../../words/said/schools';
import { sayCell } from '../../words/said/catalogue';
import { newId } from '../../data/new-id';

type CellRule = 'off' | 'may' | 'must';
const NEXT: Record<CellRule, CellRule> = { off: 'may', may: 'must', must: 'off' };
const LENGTHS = [
  { key: 'half', ticks: ticks(TICKS_PER_COUNT / 2) },
  { key: 'one', ticks: ticks(TICKS_PER_COUNT) },
  { key: 'two', ticks: ticks(TICKS_PER_COUNT * 2) },
] as const;
const ANSWERS = 5;
/** Cells that may come as long as the player has not chosen. */
const FIRST_CELLS = 5;

/** Which chain of cells fills the cycle with its strong strokes on the accents? Answered as soon as it is asked. */
@Component({
  selector: 'app-fit-panel',
  imports: [FIELD, Toggle, MatButton, SELECT, RovingGroup, RovingItem, AnswerButtons, Working],
  templateUrl: './fit-panel.html',
  styleUrl: './fit-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FitPanel {
  protected readonly words = wheelWords.fit;
  protected readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  private readonly router = inject(Router);
  private readonly drills = inject(AskedDrills);
  private readonly notice = inject(Notice);
  protected readonly tryOut = inject(TryOut);
  protected readonly answerWords = answersWords.answer;
  protected readonly schools = FIT_SCHOOLS.map(({ id }) => sayFitSchool(id));
  protected readonly lengthChoices = LENGTHS;

  private readonly rules = signal<Readonly<Record<string, CellRule>>>({});
  protected readonly school = signal(0);
  protected readonly lengths = signal<readonly string[]>(['half', 'one', 'two']);
  protected readonly silent = signal<readonly number[]>([]);
  protected readonly fixedAt = signal(0);
  protected readonly fixedCell = signal('');
  protected readonly compared = signal<readonly number[]>([]);
  protected readonly own = inject(TypedTexts).of('own cell');
  protected readonly ownFault = signal('');

  private readonly cycle = computed(() => this.open.section()?.cycle ?? null, {
    equal: (a, b) => a?.id === b?.id && a?.accents === b?.accents,
  });
  private readonly family = computed(() => this.cycle()?.family);
  /** Cells of the cycle's family by their script, the player's own after the shipped ones. */
  private readonly offered = computed(() => {
    const own = this.collection.cells().filter((c) => c.family === this.family());
    const printed = own.map((c) => ({ ...c, script: printScript(parseScript(c.script, c).pattern) }));
    return [...new Map(printed.map((c) => [c.script, c]))].map(([id, c]) => ({
      id,
      name: sayCell(c).name,
      cell: fitCell(c),
    }));
  });
  protected readonly cells = computed(() =>
    this.offered().map((c, n) => ({ ...c, rule: this.rules()[c.id] ?? (n < FIRST_CELLS ? 'may' : 'off') })),
  );
  protected readonly chosen = computed(() => this.cells().filter((c) => c.rule !== 'off'));
  protected readonly accents = computed(() => {
    const cycle = this.cycle();
    return cycle
      ? [...cycle.accents]
          .sort((a, b) => a.at - b.at)
          .map((a) => ({ at: a.at, label: placeLabel(cycle, a.at), may: this.silent().includes(a.at) }))
      : [];
  });
  protected readonly places = computed(
    () => this.cycle()?.labels.map((label, n) => ({ at: n * TICKS_PER_COUNT, label })) ?? [],
  );

  private readonly tempo = computed(() => this.open.section()?.bpm ?? 0);
  private readonly request = computed((): FitRequest | null => {
    const cycle = this.cycle();
    if (!cycle) return null;
    const cells = this.chosen().map((c) => c.cell);
    const fixed = cells.some((c) => c.id === this.fixedCell())
      ? [{ at: ticks(this.fixedAt()), cell: this.fixedCell() }]
      : [];
    return {
      cycle,
      cells,
      lengths: LENGTHS.filter((l) => this.lengths().includes(l.key)).map((l) => l.ticks),
      profile: this.collection.profile(),
      bpm: bpm(this.tempo()),
      rules: {
        must: this.chosen()
          .filter((c) => c.rule === 'must')
          .map((c) => c.id),
        fixed,
        silent: this.silent().map((at): Ticks => ticks(at)),
      },
      weights: (FIT_SCHOOLS[this.school()] ?? FIT_SCHOOLS[0])?.weights,
      k: ANSWERS,
    };
  });
  protected readonly asking = new Asking<FitRequest, FitResult>(
    this.request,
    (request, progress) => this.solve.fit(request, progress),
    () => this.answered(),
  );
  protected readonly result = computed(() => this.asking.latest()?.answer ?? null);
  protected readonly answers = computed(() => {
    const result = this.result();
    const request = this.asking.latest()?.ask;
    if (!result || result.infeasible || !request) return [];
    const most = Math.max(1, ...result.answers.map((a) => a.total));
    return result.answers.map((answer, n) => this.row(request, answer, n, most));
  });
  protected readonly looked = computed(() => {
    const result = this.result();
    return result && !result.infeasible ? result.looked : 0;
  });
  /** Why there is no chain; null when there is one. */
  protected readonly reasons = computed(() => {
    const infeasible = this.result()?.infeasible;
    return infeasible ? sayFacts(infeasible) : null;
  });
  /** Cells that could not take part, and why. */
  protected readonly leftOut = computed(() => {
    const result = this.result();
    return result && !result.infeasible ? sayFacts(result.leftOut) : [];
  });
  protected readonly comparison = computed(() => {
    const two = this.compared().flatMap((n) => this.answers()[n] ?? []);
    if (two.length !== 2) return null;
    const [a, b] = two as [(typeof two)[0], (typeof two)[0]];
    return {
      a: a.n + 1,
      b: b.n + 1,
      // What neither of the two pays says nothing of them.
      terms: FIT_TERMS.filter((t) => a.cost[t] + b.cost[t] > 0).map((t) => ({
        name: this.words.terms[t],
        a: a.cost[t],
        b: b.cost[t],
      })),
      total: { a: a.total, b: b.total },
    };
  });

  private row(request: FitRequest, answer: FitAnswer, n: number, most: number) {
    const { script, stepsPerCount } = fitScript(request, answer.steps);
    const bars = paidTerms(FIT_TERMS, answer.cost).map((t) => ({
      ...{ term: t, name: this.words.terms[t], points: answer.cost[t] },
      width: (100 * answer.cost[t]) / most,
    }));
    return {
      n,
      shown: { script, stepsPerCount },
      total: answer.total,
      cost: answer.cost,
      bars,
      lines: sayFit(fitFacts(request, answer), request),
    };
  }
  private answered() {
    this.compared.set([]);
    if (this.tryOut.shown()) this.tryOut.leave();
  }

  protected turnRule(id: string) {
    const now = this.cells().find((c) => c.id === id)?.rule ?? 'off';
    this.rules.update((r) => ({ ...r, [id]: NEXT[now] }));
  }
  /** Keeps a cell among the player's own, and asks for it at once. */
  protected addOwn() {
    const family = this.family();
    const { pattern } = parseScript(this.own(), { stepsPerCount: 1 });
    const script = printScript(pattern);
    const stepsPerCount = STEPS_PER_COUNT.find((n) => n >= flatten(pattern).slots.length) ?? 4;
    const cell = { name: cleanName(this.words.ownName(script)), script, stepsPerCount, note: '' };
    const faults = family ? sayCellFaults({ ...cell, script: this.own(), family }) : [];
    this.ownFault.set(faults[0] ?? '');
    if (!family || faults.length) return;
    this.own.set('');
    this.rules.update((r) => ({ ...r, [script]: 'must' }));
    if (this.cells().some((c) => c.id === script)) return;
    const own = { ...cell, id: newId(), family };
    this.collection.saveCell(own);
    this.notice.withUndo(this.words.ownKept, () => void this.collection.deleteCell(own));
  }
  protected toggle<T>(list: readonly T[], item: T): T[] {
    return list.includes(item) ? list.filter((x) => x !== item) : [...list, item];
  }
  /** Takes a chain over and its tightest place to Practise. */
  protected drill(n: number) {
    const row = this.answers()[n];
    if (!row) return;
    const { pattern } = parseScript(row.shown.script, row.shown);
    const joint = weakestJoint(pattern, bpm(this.tempo()), this.collection.profile());
    this.tryOut.take(row.shown, this.answerWords.drilled);
    this.drills.ask(joint ? [joint.key] : []);
    void this.router.navigateByUrl('/practise');
  }
  protected compare(n: number) {
    this.compared.update((list) => this.toggle(list, n).slice(-2));
  }
}
