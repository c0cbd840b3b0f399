import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  beyondNeck,
  fromNut,
  type FingerChange,
  lastFret,
  type Neck,
  type Shape,
  type ShapeChange,
  STRINGS,
  type StringNumber,
  touchPoint,
  wireAt,
} from '@ruffle-wheel/core';
import { sayFinger } from '../../words/said/left-hand';
import { drawings } from '../../words/drawings';

const INLAYS = [5, 7, 9, 12, 15, 17, 19];
/** Frets drawn at least, and one more than the highest that is held. */
const LEAST_FRETS = 5;
/** Half the width of a fingertip, in mm. */
export const TIP_MM = 3.9;

/**
 * The neck in true scale as its player looks down on it: string 1 far, string 6 near, the nut to the left,
 * or to the right of a left-handed player. The shape held as numbered tips, the former one as outlines, and
 * what every finger does on the way.
 */
@Component({
  selector: 'app-neck-drawing',
  templateUrl: './neck-drawing.html',
  styleUrl: './neck-drawing.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NeckDrawing {
  readonly shape = input.required<Shape>();
  readonly change = input<ShapeChange | null>(null);
  readonly neck = input.required<Neck>();
  readonly mirrored = input(false);
  /** Strings that are not stopped are only not in play just now: neither silent nor open. */
  readonly lineOnly = input(false);
  /** Strings that a line stops over the shape. */
  readonly line = input<readonly StringNumber[]>([]);
  /** Places of the shape that fingers have left for it. */
  readonly away = input<readonly { readonly string: StringNumber; readonly fret: number }[]>([]);
  /** String that digits set, when shapes are written by keys. */
  readonly chosen = input<StringNumber | null>(null);
  readonly pick = output<{ readonly string: StringNumber; readonly fret: number }>();

  protected readonly capo = computed(() => this.neck().capo);
  private readonly former = computed(() => this.change()?.from ?? null);
  private readonly window = computed(() => {
    const end = lastFret(this.capo());
    const frets = [this.shape(), this.former()]
      .flatMap((s) => s?.frets ?? [])
      .filter((f): f is number => !!f && f <= end);
    const from = frets.length && Math.min(...frets) > 4 ? Math.min(...frets) - 2 : 0;
    const first = Math.max(0, Math.min(from, end - LEAST_FRETS));
    const last = Math.min(end, Math.max(first + LEAST_FRETS, ...frets.map((f) => f + 1)));
    return { first, last };
  });
  private readonly from = computed(() => wireAt(fromNut(this.window().first, this.capo()), this.neck().scaleLength));
  private readonly width = computed(
    () => wireAt(fromNut(this.window().last, this.capo()), this.neck().scaleLength) - this.from(),
  );
  /** A point on the neck in the drawing; a mirrored drawing counts from the right. */
  private at(string: StringNumber, fret: number): { x: number; y: number } {
    const p = touchPoint(string, Math.max(fret, 0.001), this.neck());
    const x = fret > 0 ? p.x - this.from() : -7;
    return { x: this.mirrored() ? 0 - x : x, y: 0 - p.y };
  }
  protected readonly box = computed(() => {
    const w = this.width() + 24;
    return this.mirrored() ? `${10 - w} -34 ${w + 4} 74` : `-14 -34 ${w + 4} 74`;
  });
  protected readonly side = computed(() => (this.mirrored() ? -1 : 1));
  protected readonly board = computed(() => {
    const w = this.width();
    return { x: this.mirrored() ? 0 - w : 0, width: w };
  });
  protected readonly nut = computed(() => this.window().first === 0);
  protected readonly wires = computed(() => {
    const { first, last } = this.window();
    return Array.from({ length: last - first }, (_, n) => {
      const fret = first + n + 1;
      const x = wireAt(fromNut(fret, this.capo()), this.neck().scaleLength) - this.from();
      const before = wireAt(fromNut(fret - 1, this.capo()), this.neck().scaleLength) - this.from();
      return {
        fret,
        x: this.side() * x,
        from: this.mirrored() ? 0 - x : before,
        width: x - before,
        middle: this.side() * ((x + before) / 2),
        inlay: INLAYS.includes(fret + this.capo()),
      };
    });
  });
  protected readonly strings = computed(() =>
    STRINGS.map((string, i) => {
      const near = this.at(string, this.window().first || 0.001);
      const far = this.at(string, this.window().last);
      const fret = this.shape().frets[i] ?? null;
      const y0 = near.y;
      return {
        string,
        line: `M 0 ${y0} L ${this.side() * this.width()} ${far.y}`,
        y: y0,
        thickness: 0.25 + string * 0.13,
        x: this.side() * -7,
        mark: fret === null ? (this.lineOnly() ? '' : '×') : fret === 0 ? '○' : '',
        chosen: this.chosen() === string,
      };
    }),
  );
  /** One tip for each finger, over all strings it holds. */
  protected readonly tips = computed(() => this.tipsOf(this.shape()));
  protected readonly ghosts = computed(() => {
    const former = this.former();
    return former ? this.tipsOf(former) : [];
  });
  protected readonly left = computed(() =>
    this.away().map(({ string, fret }) => ({ key: `${string} ${fret}`, ...this.at(string, fret) })),
  );
  private tipsOf(shape: Shape) {
    const fingers = [...new Set(shape.fingers.filter((f) => f !== null && f !== 0))];
    const unnamed = shape.frets.flatMap((fret, i) =>
      fret && shape.fingers[i] === null ? [{ finger: '', held: [i], fret }] : [],
    );
    const named = fingers.map((finger) => {
      const held = shape.fingers.flatMap((f, i) => (f === finger ? [i] : []));
      return { finger: String(finger), held, fret: shape.frets[held[0] ?? 0] ?? 0 };
    });
    // Where there is no neck nothing is drawn: the place says it.
    const end = lastFret(this.capo());
    return [...named, ...unnamed]
      .filter((t) => t.fret <= end)
      .map(({ finger, held, fret }) => {
        const points = held.map((i) => this.at(STRINGS[i] ?? 1, fret));
        const ys = points.map((p) => p.y);
        const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
        const change = this.change()?.fingers.find((f) => String(f.finger) === finger);
        return {
          key: `${finger} ${held.join()} ${fret}`,
          finger,
          x: points[0]?.x ?? 0,
          y: top - TIP_MM,
          height: bottom - top + 2 * TIP_MM,
          middle: (top + bottom) / 2,
          line: held.some((i) => this.line().includes(STRINGS[i] ?? 1)),
          stays: change?.action === 'stays',
          order: change && change.action !== 'stays' ? change.order : null,
        };
      });
  }
  /** Slides as lines along the string, swaps as arrows. */
  protected readonly ways = computed(() =>
    (this.change()?.fingers ?? []).flatMap((f: FingerChange) => {
      if ((f.action !== 'guides' && f.action !== 'swaps') || !f.from || !f.to) return [];
      if (Math.max(f.from.fret, f.to.fret) > lastFret(this.capo())) return [];
      const a = this.at(f.from.strings[0] ?? 1, f.from.fret);
      const b = this.at(f.to.strings[0] ?? 1, f.to.fret);
      const far = Math.hypot(b.x - a.x, b.y - a.y);
      const keep = Math.max(0, far - TIP_MM - 1.5) / Math.max(1, far);
      return [
        {
          finger: f.finger,
          slides: f.action === 'guides',
          d: `M ${a.x} ${a.y} L ${a.x + (b.x - a.x) * keep} ${a.y + (b.y - a.y) * keep}`,
        },
      ];
    }),
  );
  protected readonly tip = TIP_MM;
  protected readonly label = computed(() => {
    const held = STRINGS.flatMap((string, i) => {
      const fret = this.shape().frets[i] ?? null;
      const finger = this.shape().fingers[i];
      return fret === null && this.lineOnly() ? [] : drawings.string(string, fret, finger ? String(finger) : '');
    });
    const beyond = beyondNeck(this.shape().frets, this.capo());
    const moves = (this.change()?.fingers ?? []).filter((f) => f.action !== 'idle').map(sayFinger);
    const shape = drawings.shape(this.shape().name, held);
    return drawings.neck(
      shape,
      beyond.map((b) => b.string),
      this.former()?.name ?? '',
      moves,
    );
  });
  protected readonly picks = computed(() =>
    this.wires().flatMap((w) =>
      STRINGS.map((string) => ({
        string,
        fret: w.fret,
        x: w.from,
        width: w.width,
        y: this.at(string, w.fret).y - 4.6,
      })),
    ),
  );
}
