import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import {
  askedDrill,
  type DueCheck,
  fretsText,
  heldInTurn,
  placeLabel,
  type Ladder,
  reached,
  rungCount,
  LONGEST_REMINDER,
  MOST_REMINDERS,
  type SaidDrill,
  type SectionDrill,
  drillList,
  sectionDrills,
  setLadder,
  setReminder,
  limitOf,
} from '@ruffle-wheel/core';
import { Keys } from '../../keys/keys';
import { TurnInView } from '../../parts/turn/turn-in-view';
import { TurnStrip } from '../../parts/turn/turn-strip';
import { AskedDrills, Collection, OpenStudy } from '../../study';
import { practise as practiseWords } from '../../words/practise';
import { shell as words } from '../../words/shell';
import { DueList } from './due-list';
import { PracticeSession } from './session';
import { SELECT } from '../../ui/select';
import { MatButton } from '@angular/material/button';
import { Notice } from '../../ui/notice';
import { Soon } from '../../ui/soon';
import { FIELD } from '../../ui/field';
import { sayDrills } from '../../words/said/drills';
import { sayFact } from '../../words/said/faults';
import { sayHandRules } from '../../words/said/hands';
import { sayCycle } from '../../words/said/catalogue';

/** What now? The open section's loop on its ladder, marked pass by pass from keys or a pedal. */
@Component({
  selector: 'app-practise-place',
  imports: [DueList, FIELD, Soon, MatButton, SELECT, TurnStrip],
  providers: [TurnInView],
  templateUrl: './practise-place.html',
  styleUrl: './practise-place.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PractisePlace {
  protected readonly words = practiseWords;
  protected readonly sayCycle = sayCycle;
  protected readonly headerWords = words.header;
  protected readonly open = inject(OpenStudy);
  protected readonly session = inject(PracticeSession);
  private readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  protected readonly stand = signal(false);
  protected readonly section = this.open.section;
  protected readonly ladder = computed(
    (): Ladder => this.section()?.ladder ?? { start: 60, end: 60, step: 1, passes: 1 },
  );
  protected readonly cautionsRead = computed(() => this.collection.profile().cautionsRead);

  protected readonly view = inject(TurnInView);
  protected readonly heard = this.view.heardAt;
  protected readonly count = computed(() => {
    const section = this.section();
    const heard = this.heard();
    return section ? (section.cycle.labels[heard?.count ?? 0] ?? '') : '';
  });
  protected readonly strong = computed(() => {
    const section = this.section();
    const count = this.heard()?.count ?? 0;
    return !!section?.cycle.accents.some((a) => a.at === count * 5040 && a.weight >= 0.5);
  });
  /** The shape held now and the one that comes next. */
  protected readonly shapes = computed(() => {
    const section = this.section();
    if (!section || section.chart.trim() === '') return null;
    const shapes = this.open.shapes();
    const heard = this.heard();
    const turn = heard && !heard.countingIn ? heard.turn : 0;
    const coming = [...heldInTurn(section, shapes, turn), ...heldInTurn(section, shapes, turn + 1)];
    const inTurn = heard && !heard.countingIn ? heard.inTurn : 0;
    const n = coming.findIndex((h) => inTurn >= h.from && inTurn < h.to);
    const now = coming[n]?.shape;
    const later = coming.slice(n + 1).find((h) => h.shape.id !== now?.id);
    const next = later
      ? { name: later.shape.name, frets: fretsText(later.shape), on: placeLabel(section.cycle, later.from) }
      : null;
    return now ? { now, next, frets: fretsText(now) } : null;
  });
  protected readonly rungs = computed(() => {
    const l = this.ladder();
    const n = Math.min(24, rungCount(l));
    const way = Math.sign(l.end - l.start) || 1;
    const here = this.section()?.bpm ?? 0;
    return Array.from({ length: n }, (_, i) => {
      const bpm = way > 0 ? Math.min(l.end, l.start + i * l.step) : Math.max(l.end, l.start - i * l.step);
      const clean = this.session.passes().some((p) => p.clean && p.bpm === bpm);
      return { bpm, here: bpm === here, clean, over: bpm > this.ceiling(), height: 30 + (70 * i) / Math.max(1, n - 1) };
    });
  });
  /** Highest tempo at which nothing of this hand is late. */
  private readonly ceiling = computed(() => {
    const reading = this.open.reading();
    return (reading && limitOf(reading)?.ceiling) ?? Infinity;
  });
  /** Said where the ladder leads higher than the hand can follow. */
  protected readonly overCeiling = computed(() => {
    const { start, end } = this.ladder();
    const ceiling = Math.floor(this.ceiling());
    return Math.max(start, end) > this.ceiling() ? this.words.overCeiling(ceiling) : '';
  });
  private readonly askedKeys = signal<readonly string[]>([]);
  /** Drills made from the section as written, for as long as its script stays the same. */
  protected readonly drills = computed((): readonly (SectionDrill & SaidDrill)[] => {
    const written = this.open.written();
    if (!written) return [];
    const moves = this.open.writtenReading()?.moves ?? [];
    const study = this.open.study();
    // Bars and joints that another place has asked for stand before those that every section has.
    if (!study) return [];
    const own = drillList(written, study, this.collection.profile(), moves);
    const elsewhere = this.askedKeys().filter((key) => !own.some((d) => d.key === key));
    const all = sectionDrills(written, this.collection.profile(), moves, study.cells);
    const asked = elsewhere.flatMap(
      (key) => askedDrill(written, study, key, moves) ?? all.find((d) => d.key === key) ?? [],
    );
    return sayDrills([...asked, ...own]);
  });
  /** Drills asked for by another place, to be taken one after another; all there are when none were. */
  private readonly queue = signal<readonly string[]>([]);
  protected readonly queued = computed(() => {
    const n = this.queue().indexOf(this.session.drill() ?? '');
    return n < 0 || this.queue().length < 2 ? null : { n: n + 1, of: this.queue().length };
  });
  protected readonly drillWhy = computed(
    () => this.drills().find((d) => d.name === this.session.drill())?.why ?? this.words.asWrittenWhy,
  );
  /** Why today begins at its tempo. */
  protected readonly todayWhy = computed(() => {
    const today = this.session.today();
    return today ? sayFact(today.reason) : '';
  });
  private readonly begins = viewChild<string, ElementRef<HTMLButtonElement>>('begins', { read: ElementRef });
  /** Opens what is checked, at the tempo that was held: one pass, cold. */
  protected check(c: DueCheck) {
    const row = this.collection.row(c.studyId);
    if (!row) return;
    if (row.id !== this.open.study()?.id) this.open.open(row, c.sectionId);
    else this.open.chooseSection(c.sectionId);
    if (c.drill !== null) this.askedKeys.set([c.drill]);
    this.chooseDrill(this.drills().find((d) => d.key === c.drill)?.name ?? '');
    this.session.askCold(c);
    // The list may lie below the fold: what comes next is Begin, for Space and for the thumb.
    this.begins()?.nativeElement.focus();
    this.begins()?.nativeElement.scrollIntoView({ block: 'center' });
  }
  protected notCold() {
    this.session.askCold(null);
  }
  /** Of the study, then of the hand: shown before and while one plays. */
  protected readonly reminders = computed(() => this.open.study()?.reminders ?? []);
  protected readonly handRules = computed(() => sayHandRules(this.collection.profile()));
  protected readonly places = Array.from({ length: MOST_REMINDERS }, (_, n) => n);
  protected readonly longestReminder = LONGEST_REMINDER;
  protected remind(n: number, text: string) {
    // One that is written behind an empty place stands in the first that is empty.
    this.open.adjust(setReminder(Math.min(n, this.reminders().length), text));
  }
  protected readonly best = computed(() => reached({ passes: this.session.passes() }, this.ladder().passes));

  constructor() {
    inject(Keys).forPlace(
      'practise',
      {
        clean: () => this.mark(true),
        'not clean': () => this.mark(false),
        'take mark back': () => this.session.takeBack(),
        'next drill': () => this.nextDrill(),
        'stand view': () => void this.toggleStand(),
        'leave stand view': () => this.stand() && void this.toggleStand(),
      },
      () => this.beginOrStop(),
    );
    inject(DestroyRef).onDestroy(() => {
      void this.session.finish();
      this.session.close();
      this.session.drill.set(null);
      this.session.drillKey.set(null);
      this.open.drill(null);
    });
    const keys = inject(AskedDrills).take();
    this.askedKeys.set(keys);
    const drills = this.drills();
    const asked = keys.flatMap((key) => drills.find((d) => d.key === key)?.name ?? []);
    this.queue.set(asked);
    if (asked[0]) this.chooseDrill(asked[0]);
    // What is written may become another while a drill is chosen: by undo, in another tab, with another section.
    effect(() => {
      this.drills();
      untracked(() => this.followWritten());
    });
    // Another section, or another drill, is another line in the logbook.
    const what = () => `${this.section()?.id ?? ''} ${this.session.drill() ?? ''}`;
    let before = what();
    effect(() => {
      const id = what();
      untracked(() => {
        if (id !== before) {
          void this.session.finish();
          this.session.close();
        }
        before = id;
      });
    });
  }

  /** The drill that is chosen, made anew where something else is written now; it ends where nothing of it is left. */
  private followWritten() {
    const key = this.session.drillKey();
    if (key === null || this.writtenText() === this.madeOf) return;
    this.chooseDrill(this.drills().find((d) => d.key === key)?.name ?? '');
  }
  /** Of what the drill that is chosen was made. */
  private madeOf = '';
  private writtenText(): string {
    const { id = '', script = '', chart = '', stepsPerCount = 0 } = this.open.written() ?? {};
    return JSON.stringify([id, script, chart, stepsPerCount]);
  }

  protected chooseDrill(name: string) {
    const drill = this.drills().find((d) => d.name === name);
    this.session.drillKey.set(drill?.key ?? null);
    if (!drill) {
      this.session.drill.set(null);
      return this.open.drill(null);
    }
    // Another drill begins at the section's tempo, the same one goes on at its own.
    if (this.session.drill() !== drill.name) this.open.drill(null);
    this.madeOf = this.writtenText();
    this.open.drill(drill.make());
    this.session.drill.set(drill.name);
  }
  /** The next of the drills asked for, or of all; after the last comes the first. */
  protected nextDrill() {
    const names = this.queue().length > 1 ? this.queue() : this.drills().map((d) => d.name);
    const n = names.indexOf(this.session.drill() ?? '');
    const next = names[(n + 1) % names.length];
    if (next) this.chooseDrill(next);
  }
  /** A pass is marked when it is over, and once. */
  protected mark(clean: boolean) {
    if (this.session.running() && !this.session.mark(clean)) this.notice.say(this.words.passGoesOn);
  }
  protected async beginOrStop() {
    if (this.session.running()) await this.session.finish();
    else await this.session.begin();
  }
  protected async toggleStand() {
    this.stand.update((on) => !on);
    // Full screen is a courtesy: some browsers refuse it, the view stands without.
    if (this.stand()) await document.documentElement.requestFullscreen?.().catch(() => undefined);
    else if (document.fullscreenElement) await document.exitFullscreen().catch(() => undefined);
  }
  protected put(field: keyof Ladder, text: string) {
    const section = this.section();
    const n = Math.round(Number(text));
    const low = { start: 20, end: 20, step: 1, passes: 1 }[field];
    const high = { start: 400, end: 400, step: 100, passes: 50 }[field];
    if (section && Number.isFinite(n))
      this.open.adjust(setLadder(section.id, { ...section.ladder, [field]: Math.min(high, Math.max(low, n)) }));
  }
}
