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
  comeRound,
  type Finger,
  FINGERS,
  sayComeRound,
  dearest,
  explainLine,
  type LineRequest,
  lineScript,
  plectrumStrokes,
  readLine,
  type SchoolLine,
} from '@ruffle-wheel/core';
import { Solve } from '../../compute/solve';
import { Collection, OpenStudy } from '../../study';
import { words } from '../../words/en';
import { TryOut } from './try-out';

type Ask = Omit<LineRequest, 'school' | 'k'>;
/** After the last letter. */
const ASK_AFTER_MS = 120;
/** Letters of a fingering shown in the table; the wheel shows all. */
const SHOWN_NOTES = 64;

/** A line typed by strings, fingered under every school side by side. */
@Component({
  selector: 'app-line-panel',
  templateUrl: './line-panel.html',
  styleUrl: './line-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LinePanel {
  protected readonly words = words.line;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  protected readonly tryOut = inject(TryOut);

  protected readonly text = signal('');
  protected readonly stroke = signal<'rest' | 'free'>('rest');
  private readonly solved = signal<{ readonly ask: Ask; readonly lines: readonly SchoolLine[] } | null>(null);
  private readonly steps = computed(() => this.open.section()?.stepsPerCount ?? 2);
  protected readonly read = computed(() => readLine(this.text(), this.steps()));
  private readonly tempo = computed(() => this.open.section()?.bpm ?? 0);
  private readonly ask = computed((): Ask | null => {
    const { notes, length, faults } = this.read();
    if (notes.length === 0 || faults.length > 0) return null;
    return { notes, bpm: bpm(this.tempo()), profile: this.collection.profile(), stroke: this.stroke(), loop: length };
  });
  protected readonly rows = computed(() => {
    const solved = this.solved();
    if (!solved || solved.ask !== this.ask()) return [];
    return solved.lines.map(({ school, answer, infeasible, differs }) => {
      const other = new Set(differs);
      return {
        id: school.id,
        name: school.name,
        note: school.note,
        infeasible: infeasible[0] ?? '',
        total: answer?.total ?? 0,
        letters: (answer?.steps ?? [])
          .slice(0, SHOWN_NOTES)
          .map((f, i) => ({ i, text: f.join(''), other: other.has(i) })),
        terms: answer
          ? dearest(answer)
              .slice(0, 3)
              .map((t) => `${this.words.terms[t]} ${answer.cost[t]}`)
          : [],
        why: answer ? explainLine({ ...solved.ask, school }, answer) : [],
        script: answer ? lineScript(this.read().steps, answer.steps, solved.ask.stroke) : '',
      };
    });
  });
  protected readonly plectrum = computed(() => {
    const { notes } = this.read();
    const strings = notes.flatMap((n) => (n.strings.length === 1 ? (n.strings[0] ?? []) : []));
    return strings.length === notes.length && notes.length > 0
      ? plectrumStrokes(strings)
          .slice(0, SHOWN_NOTES)
          .map((s) => s[0])
          .join(' ')
      : '';
  });

  protected readonly orderFingers = signal('pami');
  protected readonly orderGroup = signal(3);
  /** Where a finger order comes round against groups, and what begins each group. */
  protected readonly order = computed(() => {
    const fingers = [...this.orderFingers()].filter((f): f is Finger => FINGERS.includes(f as Finger));
    const found = comeRound(fingers, this.orderGroup());
    return found.notes ? `${sayComeRound(found)}.` : '';
  });

  constructor() {
    let timer: ReturnType<typeof setTimeout> | undefined;
    effect(() => {
      const ask = this.ask();
      clearTimeout(timer);
      if (ask) timer = setTimeout(() => void untracked(() => this.run(ask)), ASK_AFTER_MS);
    });
    inject(DestroyRef).onDestroy(() => {
      clearTimeout(timer);
      this.solve.cancel();
      this.tryOut.leave();
    });
  }

  private async run(ask: Ask) {
    const lines = await this.solve.schools(ask);
    if (lines) this.solved.set({ ask, lines });
  }
  protected show(id: string, script: string) {
    this.tryOut.show(`line ${id}`, script, this.steps());
  }
  protected take(script: string) {
    this.tryOut.take(script, this.steps(), this.words.taken);
  }
}
