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
  byItself,
  type CourseStep,
  type DueCheck,
  type PlannedBlock,
  type Ladder,
  reached,
  LONGEST_REMINDER,
  MOST_REMINDERS,
  setLadder,
  setReminder,
  SPOKEN_DAYS,
} from '@ruffle-wheel/core';
import { Keys } from '../../keys/keys';
import { InTime } from '../../parts/in-time';
import { TurnInView } from '../../parts/turn/turn-in-view';
import { TurnStrip } from '../../parts/turn/turn-strip';
import { Collection, OpenStudy } from '../../study';
import { practise as practiseWords } from '../../words/practise';
import { shell as words } from '../../words/shell';
import { CoursePanel } from './course-panel';
import { DrillChoice } from './drill-choice';
import { DueList } from './due-list';
import { FormInView } from './form-in-view';
import { GoalsPanel } from './goals-panel';
import { LadderInView } from './ladder-in-view';
import { PlanLine } from './plan-line';
import { PlanRun } from './plan-run';
import { PracticeSession } from './session';
import { SetPanel } from './set-panel';
import { TimePanel } from './time-panel';
import { TodayPanel } from './today-panel';
import { SELECT } from '../../ui/select';
import { MatButton } from '@angular/material/button';
import { awakeWhile } from '../../ui/awake';
import { Notice } from '../../ui/notice';
import { Soon } from '../../ui/soon';
import { Toggle } from '../../ui/toggle';
import { ownFirst } from '../../data/demo';
import { FIELD } from '../../ui/field';
import { sayFact } from '../../words/said/faults';
import { sayHandRules } from '../../words/said/hands';
import { sayCycle } from '../../words/said/catalogue';

/** What now? The open section's loop on its ladder, marked pass by pass from keys or a pedal. */
@Component({
  selector: 'app-practise-place',
  imports: [
    CoursePanel,
    DueList,
    GoalsPanel,
    PlanLine,
    SetPanel,
    TimePanel,
    Toggle,
    TodayPanel,
    FIELD,
    Soon,
    MatButton,
    SELECT,
    TurnStrip,
  ],
  providers: [TurnInView, FormInView, LadderInView, DrillChoice],
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
  private readonly rungsInView = inject(LadderInView);
  protected readonly ladder = this.rungsInView.ladder;
  protected readonly cautionsRead = computed(() => this.collection.profile().cautionsRead);

  protected readonly view = inject(TurnInView);
  protected readonly heard = this.view.heardAt;
  protected readonly count = computed(() => {
    const section = this.section();
    const heard = this.heard();
    return section ? (section.cycle.labels[heard?.count ?? 0] ?? '') : '';
  });
  private readonly form = inject(FormInView);
  protected readonly bar = this.form.bar;
  protected readonly part = this.form.part;
  protected readonly sung = this.form.sung;
  protected readonly strong = computed(() => {
    const section = this.section();
    const count = this.heard()?.count ?? 0;
    return !!section?.cycle.accents.some((a) => a.at === count * 5040 && a.weight >= 0.5);
  });
  protected readonly shapes = this.form.shapes;
  protected readonly rungs = this.rungsInView.rungs;
  /** Said where the ladder leads higher than the hand can follow. */
  protected readonly overCeiling = computed(() => {
    const ceiling = this.rungsInView.overCeiling();
    return ceiling === null ? '' : this.words.overCeiling(ceiling);
  });
  protected readonly choice = inject(DrillChoice);
  protected readonly drillWhy = computed(() => this.choice.why() || this.words.asWrittenWhy);
  /** Why today begins at its tempo. */
  protected readonly todayWhy = computed(() => {
    const today = this.session.today();
    return today ? sayFact(today.reason) : '';
  });
  protected readonly run = inject(PlanRun);
  protected readonly time = inject(InTime);
  private readonly today = viewChild(TodayPanel);
  private readonly stage = viewChild<string, ElementRef<HTMLElement>>('stage', { read: ElementRef });
  private readonly begins = viewChild<string, ElementRef<HTMLButtonElement>>('begins', { read: ElementRef });
  /** Opens what is checked, at the tempo that was held: one pass, cold. */
  protected async check(c: DueCheck) {
    await this.run.pause();
    this.run.leave();
    if (!(await this.choice.take(c))) return;
    this.session.askCold(c);
    this.toBegin();
  }
  /** A step of a course, at its tempo. */
  protected async takeStep({ drill, bpm }: CourseStep) {
    const [study, section] = [this.open.study(), this.open.section()];
    if (!study || !section) return;
    await this.run.pause();
    this.run.leave();
    if (!(await this.choice.take({ studyId: study.id, sectionId: section.id, drill: drill ?? null }))) return;
    if (bpm !== null) this.session.askTempo(bpm);
    this.toBegin();
  }
  /** What comes next is Begin, for Space and for the thumb; what was chosen may lie far below it. */
  protected toBegin() {
    this.begins()?.nativeElement.focus();
    this.begins()?.nativeElement.scrollIntoView?.({ block: 'center' });
  }
  protected chooseDrill(name: string) {
    this.run.leave();
    this.choice.choose(name);
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
  /** Whether what is open goes by itself, from what was played of it. */
  protected readonly itself = computed(() => {
    const [study, section] = [this.open.study(), this.open.written()];
    if (!study || !section || !this.collection.logRead()) return null;
    const { hand, both, days } = byItself(ownFirst(this.collection.log()), study.id, section.id);
    const { asks, words, goes } = this.words.itself;
    if (!both) return hand ? asks.both : asks.hand;
    return days < SPOKEN_DAYS ? words(days, SPOKEN_DAYS) : goes(SPOKEN_DAYS);
  });
  protected readonly best = computed(() => reached({ passes: this.session.passes() }, this.ladder().passes));

  constructor() {
    inject(Keys).forPlace(
      'practise',
      {
        clean: () => this.mark(true),
        'not clean': () => this.mark(false),
        'take mark back': () => this.session.takeBack(),
        'next drill': () => this.choice.next(),
        'spoken over': () => this.session.noteSpoken(!this.session.spoke()),
        'half speed': () => this.time.toggleHalf(),
        'silent bars': () => this.time.toggleSilent(),
        ...this.forPlan(),
        'stand view': () => void this.toggleStand(),
        'leave stand view': () => this.stand() && void this.toggleStand(),
      },
      () => this.beginOrStop(),
    );
    // On a phone the stage lay under the plan.
    effect(() => {
      if (this.run.on()) this.stage()?.nativeElement.scrollIntoView?.({ block: 'nearest' });
    });
    awakeWhile(computed(() => this.session.running() || this.run.on()));
    this.run.opener = (block) => this.openBlock(block);
    inject(DestroyRef).onDestroy(() => {
      this.run.opener = null;
      void this.run.pause();
      void this.session.finish();
      this.session.close();
      this.choice.leave();
    });
    // Another section, or another drill, is another line in the logbook.
    effect(() => {
      const [id, drill] = [this.section()?.id ?? '', this.session.drillKey()];
      untracked(() => {
        if (this.session.isOn(id, drill)) return;
        void this.session.finish();
        this.session.close();
      });
    });
  }

  private forPlan() {
    const plan = (minutes: number) => () => void (this.today()?.make(minutes) ?? this.run.make(minutes));
    return {
      'ten minutes': plan(10),
      'twenty minutes': plan(20),
      'thirty minutes': plan(30),
      'forty-five minutes': plan(45),
      'own minutes': () => this.today()?.focusOwn(),
      'go on': () => this.run.on() && void this.run.goOn(),
      'skip block': () => void this.run.skip(),
      'shorten block': () => this.run.shorten(),
      'swap blocks': () => void this.run.swap(),
      tense: () => this.run.on() && this.run.noteTension(),
    };
  }
  private async openBlock({ kind, about, bpm }: PlannedBlock): Promise<boolean> {
    if (!about) return true;
    const { studyId, sectionId, drill = null } = about;
    if (sectionId === undefined) return this.choice.takeStudy(studyId);
    const there = await this.choice.take({ studyId, sectionId, drill });
    if (there && kind === 'check' && bpm !== null) this.session.askCold({ sectionId, drill, bpm });
    return there;
  }
  /** A pass is marked when it is over, and once. The same key begins a plan, and goes on from what is silent in it. */
  protected mark(clean: boolean) {
    const { run } = this;
    if (clean && !this.session.running() && run.ready()) return void (run.on() ? run.goOn() : run.start());
    if (this.session.running() && !this.session.mark(clean)) this.notice.say(this.words.passGoesOn);
  }
  protected async beginOrStop() {
    if (this.run.on() || this.run.ready()) await this.run.toggle();
    else if (this.session.running()) await this.session.finish();
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
