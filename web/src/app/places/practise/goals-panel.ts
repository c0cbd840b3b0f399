import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { cleanName, type Finger, type Goal, GOAL_KINDS, HIGHEST_BPM, LOWEST_BPM } from '@ruffle-wheel/core';
import { newId } from '../../data/new-id';
import { today } from '../../data/today';
import { Collection, OpenStudy } from '../../study';
import { FIELD } from '../../ui/field';
import { Notice } from '../../ui/notice';
import { SELECT } from '../../ui/select';
import { practise } from '../../words/practise';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
/** Pairs of the right hand, the weakest first. */
const PAIRS = ['m a', 'i a', 'i m', 'p i'] as const;
const MOST_MINUTES = 30;
const USUAL_MINUTES = 5;
type Kind = Goal['kind'];

/** What the player works towards over weeks: a plan of a session minds it. */
@Component({
  selector: 'app-goals-panel',
  imports: [MatButton, FIELD, SELECT],
  templateUrl: './goals-panel.html',
  styleUrls: ['./listed.scss', './listed-form.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GoalsPanel {
  protected readonly words = practise.goals;
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  protected readonly kinds = GOAL_KINDS;
  protected readonly pairs = PAIRS;
  protected readonly number = Number;
  protected readonly kind = signal<Kind>('by a date');
  protected readonly pair = signal<(typeof PAIRS)[number]>(PAIRS[0]);
  protected readonly name = signal('');
  protected readonly by = signal('');
  /** null: as the ladder of what is open ends. */
  protected readonly tempo = signal<number | null>(null);
  protected readonly minutes = signal(USUAL_MINUTES);
  protected readonly fault = signal('');
  protected readonly bpm = computed(() => this.tempo() ?? this.open.section()?.ladder.end ?? 0);
  protected readonly goals = computed(() => {
    const order = (g: Goal) => `${g.reached ? 1 : 0} ${g.by ?? '9'} ${g.name}`;
    return [...this.collection.goals()].sort((a, b) => order(a).localeCompare(order(b)));
  });
  protected readonly what = (goal: Goal): string => {
    const about = goal.about && this.collection.row(goal.about.studyId)?.study;
    const section = about?.sections.find((s) => s.id === goal.about?.sectionId);
    const matter = section ? `${about?.name ?? ''} · ${section.name}` : (about?.name ?? '');
    return this.words.said(goal.kind, matter, {
      bpm: goal.bpm ?? null,
      by: goal.by ? DAY.format(new Date(goal.by)) : '',
      pair: goal.pair?.join(' ') ?? '',
      minutes: goal.minutesADay ?? 0,
    });
  };

  protected add() {
    const [study, section, kind] = [this.open.study(), this.open.section(), this.kind()];
    if (!study || !section) return;
    const [by, bpm, minutes] = [this.by(), this.bpm(), this.minutes()];
    this.fault.set(this.wrong(kind, by, bpm, minutes));
    if (this.fault()) return;
    const pair = this.pair().split(' ') as Finger[];
    const matter = { studyId: study.id, ...(kind === 'tempo' ? { sectionId: section.id } : {}) };
    this.collection.saveGoal({
      id: newId(),
      name: cleanName(this.name()) || (kind === 'finger pair' ? this.words.kinds[kind] : cleanName(study.name)),
      kind,
      ...(kind === 'finger pair'
        ? { pair: [pair[0] ?? 'm', pair[1] ?? 'a'], minutesADay: minutes }
        : { about: matter }),
      ...(kind === 'tempo' ? { bpm } : {}),
      ...(by !== '' && kind !== 'finger pair' ? { by } : {}),
      begun: today(),
      note: '',
    });
    this.name.set('');
  }
  /** What speaks against it; '' where nothing does. */
  private wrong(kind: Kind, by: string, bpm: number, minutes: number): string {
    if (kind === 'by a date' && by < today()) return this.words.dayToCome;
    if (kind === 'tempo' && !(Number.isInteger(bpm) && bpm >= LOWEST_BPM && bpm <= HIGHEST_BPM))
      return this.words.tempoBetween(LOWEST_BPM, HIGHEST_BPM);
    const fits = Number.isInteger(minutes) && minutes >= 1 && minutes <= MOST_MINUTES;
    return kind === 'finger pair' && !fits ? this.words.minutesBetween(MOST_MINUTES) : '';
  }
  protected reach(goal: Goal) {
    const again = { ...goal };
    delete again.reached;
    this.collection.saveGoal(goal.reached ? again : { ...goal, reached: today() });
  }
  protected remove(goal: Goal) {
    this.notice.withUndo(`${this.words.removed}: ${goal.name}`, this.collection.deleteGoal(goal));
  }
}
