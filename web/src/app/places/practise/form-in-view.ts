import { computed, inject, Injectable } from '@angular/core';
import { barBegin, barOf, cycleLength, syllableText, wordsUntil } from '@ruffle-wheel/core';
import { PiecePlaying } from '../../parts/piece-playing';
import { TurnInView } from '../../parts/turn/turn-in-view';
import { OpenStudy } from '../../study';
import { PracticeSession } from './session';

/** What one looks up for while one plays: the part of the form and the one that follows, the bar and its words. */
@Injectable()
export class FormInView {
  private readonly open = inject(OpenStudy);
  private readonly piece = inject(PiecePlaying);
  private readonly session = inject(PracticeSession);
  private readonly heard = inject(TurnInView).heardAt;

  /** Where the section that is heard is, in ticks from its beginning; null while nothing is, and in the count-in. */
  private readonly at = computed(() => {
    const [section, heard, reading] = [this.open.section(), this.heard(), this.open.reading()];
    if (!section || !heard || !reading || heard.countingIn) return null;
    return (heard.turn * cycleLength(section.cycle) + heard.inTurn) % Math.max(1, reading.score.length);
  });
  /** The bar that is heard, from 1, where the section has several; else 0. */
  readonly bar = computed(() => {
    const [section, at, reading] = [this.open.section(), this.at(), this.open.reading()];
    if (!section || at === null || !reading) return 0;
    return barOf(section.cycle, reading.score.length) > 1 ? barOf(section.cycle, at) + 1 : 0;
  });
  /** The part of the form that is heard; null while no form is played. */
  readonly part = computed(() => {
    const heard = this.session.follows()?.form ? this.piece.heard() : null;
    const names = this.piece.parts();
    return heard === null
      ? null
      : { n: heard + 1, all: names.length, name: names[heard] ?? '', next: names[heard + 1] ?? '' };
  });
  /** The words of the bar that is heard, the one that is due marked; null without words. */
  readonly sung = computed(() => {
    const [section, reading] = [this.open.section(), this.open.reading()];
    if (!section || !reading || section.words.trim() === '') return null;
    const at = this.at() ?? -1;
    const bar = barOf(section.cycle, Math.max(0, at));
    const [from, to] = [barBegin(section.cycle, bar), barBegin(section.cycle, bar + 1)];
    const line = wordsUntil(section.words, section.cycle, reading.score.length).filter(
      (s) => s.at >= from && s.at < to,
    );
    const due = line.findLastIndex((s) => s.at <= at);
    return line.length ? line.map((s, n) => ({ at: s.at, text: syllableText(s), now: n === due })) : null;
  });
}
