import { isDead, type NotatedBar, repeatedStrums, type ScoreEvent } from '@ruffle-wheel/core';
import { layoutOf, type PageView, type SystemLayout } from './system-layout';

/** On the one line of a rhythm, and in the middle of a staff. */
const LINE = 'b/4';
const TAP = 'g/5/x2';
/** Behind a pitch: its head is a cross, or a slash. */
const CROSS = '/x2';
const SLASH = '/s';

/** How the strokes of a system are drawn: at their pitches, as slashes, or as heads on one line. */
export class Heads {
  readonly layout: SystemLayout;
  private readonly again: ReadonlySet<ScoreEvent>;

  constructor(
    readonly view: PageView,
    bars: readonly NotatedBar[],
    words: boolean,
  ) {
    this.layout = layoutOf(view.look, words);
    this.again = view.slashes || view.look === 'rhythm' ? repeatedStrums(bars) : new Set();
  }
  /** A strum that is as the one before: it has no frets, and a slash for its notes. */
  isAgain(event: ScoreEvent): boolean {
    return this.again.has(event);
  }
  /** Where each note has a head of its own. */
  areNotes(event: ScoreEvent): boolean {
    return this.layout.pitches && !this.isAgain(event);
  }
  /** @param pitched its notes at their pitches, from low to high; none for a tap */
  keysOf(event: ScoreEvent, pitched: readonly string[]): string[] {
    const tap = pitched.length === 0;
    if (this.areNotes(event)) return tap ? [TAP] : [...pitched];
    const dead = tap || event.notes.every((n) => isDead(event.motion, n.string));
    const slash = this.view.look === 'rhythm' || this.isAgain(event);
    return [`${LINE}${dead ? CROSS : slash ? SLASH : ''}`];
  }
}
