import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import {
  bpm,
  crossingsOf,
  kindsOf,
  lineRemarks,
  noteFacts,
  type Finger,
  FINGERS,
  LINE_TERMS,
  type LineAnswer,
  lineSchool,
  type LineNote,
  lineScript,
  pinInText,
  plectrumEntries,
  plectrumHand,
  plectrumStrokes,
  type ReadLine,
  readLine,
  stoppedNotes,
  strokesOf,
  paidTerms,
  TAUGHT,
  usualStroke,
} from '@ruffle-wheel/core';
import type { LineAsk, LineAnswers } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { Collection, OpenStudy, TypedTexts } from '../../study';
import { CoarsePointer } from '../../ui/coarse';
import { RovingGroup, RovingItem } from '../../ui/roving';
import { sayLineRemark, sayNote } from '../../words/said/answers';
import { wheel as wheelWords } from '../../words/wheel';
import { answers as answersWords } from '../../words/answers';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { TrialTablature } from '../../parts/try-out/trial-tablature';
import { Asking } from '../../parts/asking/asking';
import { ReadAs } from '../../ui/read-as';
import { type SchoolRow, SchoolsTable } from './schools-table';
import { WeaveForm } from './weave-form';
import { Working } from '../../parts/asking/working';
import { SELECT } from '../../ui/select';
import { MatButton } from '@angular/material/button';
import { Toggle } from '../../ui/toggle';
import { FIELD } from '../../ui/field';
import { sayFact, sayFault } from '../../words/said/faults';
import { sayLineSchool } from '../../words/said/schools';

/** Notes of a line shown side by side and note by note; the wheel shows all. */
const SHOWN_NOTES = 64;
const WAYS = 5;
const PLECTRUM = 'plectrum';

interface Asked {
  readonly read: ReadLine;
  readonly asked: LineAsk;
}

/** A line typed by strings, fingered under every school side by side, one of them note by note. */
@Component({
  selector: 'app-line-panel',
  imports: [
    FIELD,
    Toggle,
    MatButton,
    SELECT,
    RovingGroup,
    RovingItem,
    ReadAs,
    SchoolsTable,
    AnswerButtons,
    TrialTablature,
    WeaveForm,
    Working,
  ],
  templateUrl: './line-panel.html',
  styleUrl: './line-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LinePanel {
  protected readonly words = wheelWords.line;
  protected readonly answerWords = answersWords.answer;
  protected readonly say = sayFault;
  protected readonly pointer = inject(CoarsePointer);
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  private readonly field = viewChild.required<ElementRef<HTMLTextAreaElement>>('field');

  protected readonly text = inject(TypedTexts).of('line');
  /** As the player wants it; null leaves it to the kind of playing. */
  private readonly strokeWanted = signal<'rest' | 'free' | null>(null);
  protected readonly chosen = signal<string>(TAUGHT);
  protected readonly way = signal(0);
  protected readonly noteChosen = signal(0);
  private readonly steps = computed(() => this.open.written()?.stepsPerCount ?? 2);
  protected readonly read = computed(() => readLine(this.text(), this.steps()));
  private readonly tempo = computed(() => this.open.section()?.bpm ?? 0);
  private played(notes: readonly LineNote[]) {
    return { notes, bpm: bpm(this.tempo()), profile: this.collection.profile() };
  }
  protected readonly stroke = computed((): 'rest' | 'free' => {
    const { notes } = this.read();
    return this.strokeWanted() ?? (notes.length ? usualStroke(this.played(notes)) : 'rest');
  });
  private readonly ask = computed((): Asked | null => {
    const read = this.read();
    const { notes, length, faults } = read;
    if (notes.length === 0 || faults.length > 0) return null;
    const played = this.played(notes);
    // An order that repeats goes round; what is composed begins where it begins.
    const loop = kindsOf(played).every((s) => s.free) ? { loop: length } : {};
    const line = { ...played, stroke: this.stroke(), ...loop };
    return { read, asked: { line, school: lineSchool(this.chosen() === PLECTRUM ? TAUGHT : this.chosen()), k: WAYS } };
  });
  protected readonly asking = new Asking<Asked, LineAnswers>(this.ask, ({ asked }, progress) =>
    this.solve.line(asked, progress),
  );
  /** What the screen shows: the last answer with the line it is about, until the next one comes. */
  private readonly seen = computed(() => {
    const latest = this.asking.latest();
    return latest && this.ask() ? { read: latest.ask.read, ask: latest.ask.asked, answer: latest.answer } : null;
  });
  protected readonly strings = computed(() =>
    (this.seen()?.read.notes ?? []).slice(0, SHOWN_NOTES).map((n) => n.strings.join('')),
  );
  protected readonly hidden = computed(() => Math.max(0, (this.seen()?.read.notes.length ?? 0) - SHOWN_NOTES));
  protected readonly rows = computed((): readonly SchoolRow[] => {
    const seen = this.seen();
    if (!seen) return [];
    const fingered = seen.answer.schools.map(({ school, answer, infeasible, differs }) => {
      const other = new Set(differs);
      const awkward = new Set(
        crossingsOf(seen.ask.line.notes, answer?.steps ?? []).flatMap((c) => (c.kind === 'awkward' ? [c.index] : [])),
      );
      return {
        id: school.id,
        folded: seen.answer.folded.includes(school.id),
        ...sayLineSchool(school.id),
        total: answer ? String(answer.total) : '–',
        infeasible: infeasible[0] ? sayFact(infeasible[0]) : '',
        letters: (answer?.steps ?? []).slice(0, SHOWN_NOTES).map((f, i) => ({
          text: f.join(''),
          other: other.has(i),
          awkward: awkward.has(i),
        })),
      };
    });
    const picks = this.plectrum();
    const plectrum = {
      id: PLECTRUM,
      folded: false,
      name: this.words.plectrum,
      note: this.words.plectrumNote,
      total: '',
      infeasible: picks ? '' : this.words.plectrumNote,
      letters: (picks ?? []).slice(0, SHOWN_NOTES).map((s) => ({ text: s.slice(0, 1), other: false, awkward: false })),
    };
    return [...fingered, ...(picks ? [plectrum] : [])];
  });
  protected readonly kinds = computed(() => this.seen()?.answer.kinds ?? []);
  /** An order that can’t go with these notes is no choice; the chosen one says why. */
  private readonly choices = computed(() => this.rows().filter((r) => r.letters.length > 0 || r.id === this.chosen()));
  protected readonly given = computed(() => this.choices().filter((r) => !r.folded));
  protected readonly folded = computed(() => this.choices().filter((r) => r.folded));
  private readonly plectrum = computed(() => {
    const notes = this.seen()?.read.notes ?? [];
    if (notes.length === 0 || notes.some((n) => n.strings.length !== 1)) return null;
    return plectrumStrokes(
      notes.flatMap((n) => n.strings),
      plectrumEntries(this.seen()?.read.steps ?? [], bpm(this.tempo())).entries,
    );
  });
  /** The chosen school's best fingerings, best first. */
  private readonly answers = computed((): readonly LineAnswer[] => {
    const seen = this.seen();
    if (!seen || this.chosen() === PLECTRUM) return [];
    // Until its best few are there, the school's one best stands in.
    const one = seen.answer.schools.find((s) => s.school.id === this.chosen())?.answer;
    if (seen.ask.school.id !== this.chosen()) return one ? [one] : [];
    return seen.answer.best.infeasible ? [] : seen.answer.best.answers;
  });
  protected readonly ways = computed(() => this.answers().map((a, n) => ({ n, total: a.total })));
  protected readonly detail = computed(() => {
    const seen = this.seen();
    if (!seen) return null;
    const { steps } = seen.read;
    const stopped = stoppedNotes(steps);
    const base = { stepsPerCount: this.steps(), stopped };
    if (this.chosen() === PLECTRUM) {
      const script = plectrumHand(steps, bpm(this.tempo()));
      if (script === null) return null;
      const whips = this.plectrum()?.filter((s) => s === 'whip').length ?? 0;
      const why = [this.words.plectrumNote, this.words.whips(whips)];
      return { name: this.words.plectrum, why, bars: [], notes: [], infeasible: '', shown: { ...base, script } };
    }
    const answer = this.answers()[Math.min(this.way(), this.answers().length - 1)];
    const school = lineSchool(this.chosen());
    const said = sayLineSchool(school.id);
    if (!answer) {
      const infeasible = this.rows().find((r) => r.id === this.chosen())?.infeasible ?? '';
      return { name: said.name, why: [said.note], bars: [], notes: [], infeasible, shown: null };
    }
    const request = { ...seen.ask.line, school };
    const most = Math.max(1, ...this.answers().map((a) => a.total));
    const reasons = noteFacts(request, answer).map(sayNote);
    return {
      name: said.name,
      why: [said.note, ...lineRemarks(request, answer).map(sayLineRemark)],
      infeasible: '',
      bars: paidTerms(LINE_TERMS, answer.cost).map((t) => ({
        name: this.words.terms[t],
        points: answer.cost[t],
        width: (100 * answer.cost[t]) / most,
      })),
      notes: reasons.slice(0, SHOWN_NOTES).map((r, n) => ({
        n,
        text: answer.steps[n]?.join('') ?? '',
        string: request.notes[n]?.strings.join('') ?? '',
        pinned: request.notes[n]?.pinned !== undefined,
        awkward: r.crossing === 'awkward',
        anchor: r.anchor === 'lifts' ? '↑' : r.anchor ? '↓' : '',
        fault: r.faults.length > 0,
        say: r.text,
      })),
      shown: { ...base, script: lineScript(steps, answer.steps, strokesOf(seen.ask.line)) },
    };
  });
  protected readonly said = computed(() => this.detail()?.notes[this.noteChosen()]?.say ?? '');

  protected strike(stroke: string) {
    this.strokeWanted.set(stroke === 'free' ? 'free' : 'rest');
  }
  protected choose(id: string) {
    this.chosen.set(id);
    this.way.set(0);
  }
  protected write(text: string) {
    this.text.set(text);
    this.way.set(0);
  }
  /** A finger key on a note pins it; Backspace sets it free. */
  protected keyOnNote(e: KeyboardEvent, n: number) {
    const finger = FINGERS.find((f) => f === e.key);
    if (!finger && e.key !== 'Backspace' && e.key !== 'Delete') return;
    e.preventDefault();
    e.stopPropagation();
    this.pin(n, finger ?? null);
  }
  protected press(n: number) {
    const note = this.detail()?.notes[n];
    const letter = FINGERS.find((f) => f === note?.text);
    if (note && (letter || note.pinned)) this.pin(n, note.pinned ? null : (letter ?? null));
  }
  private pin(n: number, finger: Finger | null) {
    const range = this.read().steps.filter((s) => s.kind === 'note')[n]?.range;
    if (!range) return;
    this.write(pinInText(this.text(), range, finger));
    this.field().nativeElement.value = this.text();
  }
}
