import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  type Course,
  courseWith,
  type CourseStep,
  HIGHEST_BPM,
  isPassed,
  LOWEST_BPM,
  MOST_COURSE_STEPS,
  stepOf,
  WEEK_MINUTES,
  weekOf,
} from '@ruffle-wheel/core';
import { Compute } from '../../compute/compute';
import { ownFirst } from '../../data/demo';
import { newId } from '../../data/new-id';
import { today } from '../../data/today';
import { Collection, Exports, OpenStudy } from '../../study';
import { FIELD } from '../../ui/field';
import { Notice } from '../../ui/notice';
import { saveFile } from '../../ui/save-file';
import { practise } from '../../words/practise';
import { sayCourseStep } from '../../words/said/plan';

const LONGEST_STEP_TEXT = 120;
/** Bounds of a gate that is set by hand. */
const MOST_CLEAN = 50;
const MOST_DAYS = 30;

/** The open section as ordered steps, each with what opens the next one. */
@Component({
  selector: 'app-course-panel',
  imports: [MatButton, FIELD],
  templateUrl: './course-panel.html',
  styleUrls: ['./listed.scss', './listed-form.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CoursePanel {
  /** A step that is to be played. */
  readonly taken = output<CourseStep>();
  protected readonly words = practise.courses;
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  private readonly compute = inject(Compute);
  private readonly notice = inject(Notice);
  private readonly exports = inject(Exports);
  protected readonly week = WEEK_MINUTES;
  protected readonly weekFault = signal('');
  protected readonly say = sayCourseStep;
  protected readonly isPassed = isPassed;
  protected readonly longest = LONGEST_STEP_TEXT;
  protected readonly fault = signal('');
  /** The open section's, with what the log says of it. */
  protected readonly course = computed((): Course | null => {
    const [study, section] = [this.open.study(), this.open.written()];
    const course = this.collection
      .courses()
      .find((c) => c.about.studyId === study?.id && (c.about.sectionId ?? section?.id) === section?.id);
    return course && this.collection.logRead() ? courseWith(course, ownFirst(this.collection.log())) : (course ?? null);
  });
  protected readonly at = computed(() => {
    const course = this.course();
    return course ? stepOf(course) : -1;
  });

  protected async make() {
    const [study, section] = [this.open.study(), this.open.written()];
    if (!study || !section) return;
    const hand = this.collection.profile();
    this.collection.saveCourse(await this.compute.courseFor(section, study, hand, newId(), today()));
  }
  /** @param given as typed */
  protected add(
    course: Course,
    given: { readonly text: string; readonly bpm: string; readonly clean: string; readonly days: string },
  ) {
    const [bpm, clean, days] = [Number(given.bpm), Number(given.clean), Number(given.days)];
    const out = (n: number, low: number, high: number) => !Number.isInteger(n) || n < low || n > high;
    const { words } = this;
    this.fault.set('');
    if (course.steps.length >= MOST_COURSE_STEPS) return this.fault.set(words.full(MOST_COURSE_STEPS));
    if (out(bpm, LOWEST_BPM, HIGHEST_BPM)) return this.fault.set(words.between(words.tempo, LOWEST_BPM, HIGHEST_BPM));
    if (out(clean, 1, MOST_CLEAN)) return this.fault.set(words.between(words.clean, 1, MOST_CLEAN));
    if (out(days, 1, MOST_DAYS)) return this.fault.set(words.between(words.onDays, 1, MOST_DAYS));
    const what = given.text.trim() === '' ? 'as written' : 'own';
    const step: CourseStep = {
      what,
      text: given.text.trim().slice(0, LONGEST_STEP_TEXT),
      bpm,
      gate: { clean, days, by: 'mark' },
      passed: [],
    };
    this.collection.saveCourse({ ...course, steps: [...course.steps, step] });
  }
  protected leaveOut(course: Course, n: number) {
    const row = { ...course, steps: course.steps.filter((_, i) => i !== n) };
    const back = this.collection.exchange('replaced', course.name, [{ table: 'courses', row }], []);
    this.notice.withUndo(`${this.words.leftOut}: ${sayCourseStep(course.steps[n] as CourseStep)}`, back);
  }
  /** @param played with the log of what was played of it */
  protected async save(played: boolean) {
    const study = this.open.study();
    if (study) saveFile(await this.exports.work(study, played), this.words.fileName(study.name, played));
  }
  /** A page for the music stand: seven days from today on. */
  protected async printWeek(course: Course, minutes: number) {
    const [study, section] = [this.open.study(), this.open.written()];
    const { low, high } = WEEK_MINUTES;
    const wrong = !Number.isInteger(minutes) || minutes < low || minutes > high;
    this.weekFault.set(wrong ? this.words.between(this.words.minutesADay, low, high) : '');
    if (wrong || !study || !section) return;
    const { weekPage } = await import('../../parts/print/week-page');
    const days = weekOf(course, today(), minutes);
    const page = await weekPage({ study: study.name, section: section.name, course, days }).catch(() => null);
    if (page) saveFile(page, this.words.weekName(study.name), 'pdf');
    else this.weekFault.set(this.words.notPrinted);
  }
  protected remove(course: Course) {
    this.notice.withUndo(`${this.words.removed}: ${course.name}`, this.collection.deleteCourse(course));
  }
}
