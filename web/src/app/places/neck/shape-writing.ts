import { computed, inject, signal } from '@angular/core';
import {
  fingeringFaults,
  fingerShape,
  fretsText,
  handOn,
  holdShape,
  lastFret,
  type LeftFinger,
  OPEN_SHAPE,
  type Shape,
  STRINGS,
  type StringNumber,
  perString,
} from '@ruffle-wheel/core';
import { Collection, OpenStudy } from '../../study';
import { newId } from '../../data/new-id';
import { Notice } from '../../ui/notice';
import { sayFact } from '../../words/said/faults';

/** A shape written on the neck, string by string, until it is kept or left. Made where the neck's place is made. */
export class ShapeWriting {
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  /** String that digits set; null while no shape is written. */
  readonly string = signal<StringNumber | null>(null);
  readonly draft = signal<Shape | null>(null);
  readonly name = signal('');
  readonly held = computed(() => {
    const draft = this.draft();
    return (
      !draft || draft.frets.every((f) => f === null || f === 0) || draft.fingers.some((f) => f !== null && f !== 0)
    );
  });

  /** @param present the shape that writing begins with */
  constructor(private readonly present: () => Shape) {}

  /** The next digit names the finger of the string. */
  private fingerNext = false;

  /** @returns whether the key was one for writing a shape */
  pressed(key: string): boolean {
    const string = this.string();
    const named = this.fingerNext;
    this.fingerNext = false;
    if (string !== null && key === '=') this.fingerNext = true;
    else if (string !== null && named && /^[1-4]$/.test(key)) this.setFinger(string, Number(key) as LeftFinger);
    else if (key === 'ArrowUp' || key === 'ArrowDown') this.toNextString(key === 'ArrowDown' ? 1 : -1);
    else if (string !== null && /^[0-9]$/.test(key)) this.setFret(string, Number(key));
    else if (string !== null && (key === 'x' || key === 'X')) this.setFret(string, null);
    else if (string !== null && (key === '+' || key === '-')) this.shift(string, key === '+' ? 1 : -1);
    else return false;
    return true;
  }
  /** String 1 is drawn on top: down goes to the thicker one. */
  private toNextString(way: 1 | -1) {
    const now = this.string();
    const next = now === null ? (way > 0 ? 1 : 6) : now + way;
    this.string.set(STRINGS.find((s) => s === next) ?? now);
  }
  private fretOn(string: StringNumber): number | null {
    return (this.draft() ?? this.present()).frets[STRINGS.indexOf(string)] ?? null;
  }
  /** A press on the board stops the string there; a second one opens it. */
  picked({ string, fret }: { string: StringNumber; fret: number }) {
    this.setFret(string, this.fretOn(string) === fret ? 0 : fret);
  }
  private shift(string: StringNumber, by: number) {
    this.setFret(string, Math.min(lastFret(this.open.capo()), Math.max(0, (this.fretOn(string) ?? 0) + by)));
  }
  /** Another fret on one string; fingers are laid on anew, the cheapest that hold it. */
  private setFret(string: StringNumber, fret: number | null) {
    const from = this.draft() ?? this.present();
    const frets = perString((s, i) => (s === string ? fret : (from.frets[i] ?? null)));
    const best = fingerShape(frets, handOn(this.open.neck(), this.collection.profile()), 1)[0];
    const fingers = best?.fingers ?? perString((_, i) => (frets[i] === 0 ? (0 as const) : null));
    if (!this.draft()) this.name.set(from.id === OPEN_SHAPE.id ? '' : from.name);
    this.draft.set({ id: newId(), name: from.name, frets, fingers });
  }
  /** Another finger on one string, where the hand can hold it so; else it is told why not. */
  private setFinger(string: StringNumber, finger: LeftFinger) {
    const from = this.draft() ?? this.present();
    const fingers = perString((s, i) => (s === string ? finger : (from.fingers[i] ?? null)));
    const fault = fingeringFaults(from.frets, fingers, handOn(this.open.neck(), this.collection.profile()))[0];
    if (fault) return this.notice.say(sayFact(fault));
    if (!this.draft()) this.name.set(from.id === OPEN_SHAPE.id ? '' : from.name);
    this.draft.set({ id: newId(), name: from.name, frets: from.frets, fingers });
  }
  leave() {
    this.draft.set(null);
    this.string.set(null);
  }
  /** The written shape takes the place of the one it was made from; undo brings that back. */
  keep(index: number | null) {
    const draft = this.draft();
    const section = this.open.section();
    if (!draft || !section || !this.held()) return;
    const shape = { ...draft, name: this.name().trim() || fretsText(draft) };
    this.open.apply(holdShape(section.id, shape, index));
    this.leave();
  }
}
