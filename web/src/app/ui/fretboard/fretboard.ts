import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { lastFret, millimetres, NUT_SPACING, type Shape, STRINGS, touchAt, wireAt, fromNut } from '@ruffle-wheel/core';
import { drawings } from '../../words/drawings';

const INLAYS = [3, 5, 7, 9, 12, 15, 17, 19, 21, 24];

/** The first frets of the neck in true scale with one shape held: string 1 on top, nut or capo at the left, for a left-handed player at the right. */
@Component({
  selector: 'app-fretboard',
  templateUrl: './fretboard.html',
  styleUrl: './fretboard.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Fretboard {
  readonly shape = input.required<Shape>();
  readonly capo = input(0);
  readonly scaleLength = input(650);
  /** As a left-handed player sees it: nut or capo at the right. */
  readonly mirrored = input(false);

  private readonly scale = computed(() => millimetres(this.scaleLength()));
  private readonly from = computed(() => wireAt(fromNut(0, this.capo()), this.scale()));
  private readonly end = computed(() => lastFret(this.capo()));
  private readonly lastFret = computed(() => {
    const frets = this.shape().frets.flatMap((f) => (f !== null && f <= this.end() ? [f + 1] : []));
    return Math.min(this.end(), Math.max(5, ...frets));
  });
  /** Height over all strings, in mm; twice drawn so that the dots are readable. */
  protected readonly gap = NUT_SPACING * 1.68;
  protected readonly width = computed(() => wireAt(fromNut(this.lastFret(), this.capo()), this.scale()) - this.from());
  private readonly side = computed(() => (this.mirrored() ? -1 : 1));
  protected readonly box = computed(() => {
    const wide = this.width() + 38;
    return `${this.mirrored() ? 26 - wide : -26} -14 ${wide} ${this.gap * 5 + 40}`;
  });
  protected readonly wires = computed(() =>
    Array.from({ length: this.lastFret() }, (_, n) => {
      const fret = n + 1;
      const x = wireAt(fromNut(fret, this.capo()), this.scale()) - this.from();
      const before = wireAt(fromNut(fret - 1, this.capo()), this.scale()) - this.from();
      return {
        fret,
        x: this.side() * x,
        label: (this.side() * (x + before)) / 2,
        inlay: INLAYS.includes(this.capo() + fret),
      };
    }),
  );
  protected readonly strings = computed(() =>
    STRINGS.map((string, i) => {
      const fret = this.shape().frets[i] ?? null;
      const finger = this.shape().fingers[i] ?? null;
      const y = (string - 1) * this.gap;
      // A fret beyond the neck stands at the string's end, with its number: it can't be drawn where it is not.
      const beyond = fret !== null && fret > this.end();
      const x = beyond ? this.width() : fret ? touchAt(fret, this.capo(), this.scale()) - this.from() : -13;
      return {
        beyond,
        string,
        y,
        fret,
        x: this.side() * x,
        finger: beyond ? '!' : fret ? (finger ?? '') : fret === 0 ? '' : '×',
        thickness: 0.5 + string * 0.22,
      };
    }),
  );
  protected readonly label = computed(() => {
    const said = this.strings().map((s) => drawings.string(s.string, s.fret, String(s.finger)));
    return drawings.shape(this.shape().name, said);
  });
}
