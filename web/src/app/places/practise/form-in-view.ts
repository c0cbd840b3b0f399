import { computed, inject, Injectable } from '@angular/core';
import {
  barBegin,
  barOf,
  cycleLength,
  fretsText,
  heldInTurn,
  placeLabel,
  syllableText,
  wordsUntil,
} from '@ruffle-wheel/core';
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
  /** The shape held now and the one that comes next. */
  readonly shapes = computed(() => {
    const section = this.open.section();
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
  /** The part of the form that is heard; null while no form is played. */
  readonly part = computed(() => {
    const heard = this.session.follows()?.form ? this.piece.heard() : null;
    const names = this.piece.parts();
    return heard === null
      ? null
      : { n: heard + 1, all: names.length, name: names[heard] ?? '', next: names[heard + 1] ?? '' };
  });
  /** All words of the section, read once. */
  private readonly words = computed(() => {
    const [section, reading] = [this.open.section(), this.open.reading()];
    return section && reading ? wordsUntil(section.words, section.cycle, reading.score.length) : [];
  });
  /** The words of the bar that is heard, the one that is due marked; null without words. */
  readonly sung = computed(() => {
    const section = this.open.section();
    if (!section || this.words().length === 0) return null;
    const at = this.at() ?? -1;
    const bar = barOf(section.cycle, Math.max(0, at));
    const [from, to] = [barBegin(section.cycle, bar), barBegin(section.cycle, bar + 1)];
    const line = this.words().filter((s) => s.at >= from && s.at < to);
    const due = line.findLastIndex((s) => s.at <= at);
    return line.length ? line.map((s, n) => ({ at: s.at, text: syllableText(s), now: n === due })) : null;
  });
}
