import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import {
  bpm,
  CELLS,
  explainFit,
  FIT_SCHOOLS,
  FIT_TERMS,
  type FitAnswer,
  type FitRequest,
  type FitResult,
  fitScript,
  parseScript,
  placeLabel,
  printScript,
  type Ticks,
  ticks,
  TICKS_PER_COUNT,
} from '@ruffle-wheel/core';
import { Solve } from '../../compute/solve';
import { Collection, OpenStudy } from '../../study';
import { words } from '../../words/en';
import { TryOut } from './try-out';

type CellRule = 'off' | 'may' | 'must';
const NEXT: Record<CellRule, CellRule> = { off: 'may', may: 'must', must: 'off' };
const LENGTHS = [
  { key: 'half', ticks: ticks(TICKS_PER_COUNT / 2) },
  { key: 'one', ticks: ticks(TICKS_PER_COUNT) },
  { key: 'two', ticks: ticks(TICKS_PER_COUNT * 2) },
] as const;
const ANSWERS = 5;
/** After the last change of the ask. */
const ASK_AFTER_MS = 120;

/** Which chain of cells fills the cycle with its strong strokes on the accents? Answered as soon as it is asked. */
@Component({
  selector: 'app-fit-panel',
  templateUrl: './fit-panel.html',
  styleUrl: './fit-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FitPanel {
  protected readonly words = words.fit;
  protected readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  protected readonly tryOut = inject(TryOut);
  protected readonly schools = FIT_SCHOOLS;
  protected readonly lengthChoices = LENGTHS;

  private readonly ownCells = signal<readonly string[]>([]);
  private readonly rules = signal<Readonly<Record<string, CellRule>>>({});
  protected readonly school = signal(0);
  protected readonly lengths = signal<readonly string[]>(['half', 'one', 'two']);
  protected readonly silent = signal<readonly number[]>([]);
  protected readonly fixedAt = signal(0);
  protected readonly fixedCell = signal('');
  protected readonly result = signal<FitResult | null>(null);
  protected readonly compared = signal<readonly number[]>([]);
  protected readonly ownFault = signal('');

  private readonly cycle = computed(() => this.open.section()?.cycle ?? null, {
    equal: (a, b) => a?.id === b?.id && a?.accents === b?.accents,
  });
  private readonly family = computed(() => this.cycle()?.family);
  protected readonly cells = computed(() => {
    const shipped = CELLS.filter((c) => c.family === this.family()).map((c) => ({
      id: printScript(parseScript(c.script, c).pattern),
      name: c.name,
    }));
    const all = [...shipped, ...this.ownCells().map((id) => ({ id, name: this.words.own }))];
    return all.map((c) => ({ ...c, rule: this.ruleOf(c.id) }));
  });
  private ruleOf(id: string): CellRule {
    return this.rules()[id] ?? (this.firstFour().includes(id) ? 'may' : 'off');
  }
  private readonly firstFour = computed(() =>
    CELLS.filter((c) => c.family === this.family())
      .slice(0, 5)
      .map((c) => printScript(parseScript(c.script, c).pattern)),
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
    const cells = this.chosen().map((c) => ({ id: c.id, script: c.id }));
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
  protected readonly answers = computed(() => {
    const result = this.result();
    const request = this.request();
    if (!result || result.infeasible || !request) return [];
    const most = Math.max(1, ...result.answers.map((a) => a.total));
    return result.answers.map((answer, n) => this.row(request, answer, n, most));
  });
  protected readonly looked = computed(() => {
    const result = this.result();
    return result && !result.infeasible ? result.looked : 0;
  });
  protected readonly comparison = computed(() => {
    const two = this.compared().flatMap((n) => this.answers()[n] ?? []);
    if (two.length !== 2) return null;
    const [a, b] = two as [(typeof two)[0], (typeof two)[0]];
    return {
      a: a.n + 1,
      b: b.n + 1,
      terms: FIT_TERMS.map((t) => ({ name: this.words.terms[t], a: a.cost[t], b: b.cost[t] })),
      total: { a: a.total, b: b.total },
    };
  });

  constructor() {
    let timer: ReturnType<typeof setTimeout> | undefined;
    effect(() => {
      const request = this.request();
      clearTimeout(timer);
      if (request) timer = setTimeout(() => void untracked(() => this.ask(request)), ASK_AFTER_MS);
    });
    inject(DestroyRef).onDestroy(() => {
      clearTimeout(timer);
      this.solve.cancel();
      this.tryOut.leave();
    });
  }

  private row(request: FitRequest, answer: FitAnswer, n: number, most: number) {
    const { script, stepsPerCount } = fitScript(request, answer.steps);
    const bars = FIT_TERMS.flatMap((t) =>
      answer.cost[t] > 0
        ? [{ term: t, name: this.words.terms[t], points: answer.cost[t], width: (100 * answer.cost[t]) / most }]
        : [],
    );
    return {
      n,
      script,
      stepsPerCount,
      total: answer.total,
      cost: answer.cost,
      bars,
      lines: explainFit(request, answer),
    };
  }
  private async ask(request: FitRequest) {
    const result = await this.solve.fit(request);
    if (!result) return;
    this.result.set(result);
    this.compared.set([]);
    if (this.tryOut.shown()) this.tryOut.leave();
  }

  protected turnRule(id: string) {
    this.rules.update((r) => ({ ...r, [id]: NEXT[this.ruleOf(id)] }));
  }
  protected addOwn(field: HTMLInputElement) {
    const { pattern, faults } = parseScript(field.value, { stepsPerCount: 1 });
    const id = printScript(pattern);
    this.ownFault.set(faults[0]?.message ?? (id ? '' : this.words.noneChosen));
    if (this.ownFault()) return;
    if (!this.cells().some((c) => c.id === id)) this.ownCells.update((own) => [...own, id]);
    this.rules.update((r) => ({ ...r, [id]: 'must' }));
    field.value = '';
  }
  protected toggle<T>(list: readonly T[], item: T): T[] {
    return list.includes(item) ? list.filter((x) => x !== item) : [...list, item];
  }
  protected show(n: number) {
    const row = this.answers()[n];
    if (row) this.tryOut.show(`fit ${n}`, row.script, row.stepsPerCount);
  }
  protected take(n: number) {
    const row = this.answers()[n];
    if (row) this.tryOut.take(row.script, row.stepsPerCount, `${this.words.taken}: ${row.script}`);
  }
  protected compare(n: number) {
    this.compared.update((list) => this.toggle(list, n).slice(-2));
  }
}
