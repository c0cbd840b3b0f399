import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  accentAt,
  type AccentCycle,
  cycleLength,
  groupStarts,
  type HeldShape,
  type LaidStroke,
  TICKS_PER_COUNT,
  type TurnSlot,
} from '@ruffle-wheel/core';
import { SignsBeside } from '../signs-beside';
import { arc, at, creases, RADIUS, ruffle } from './geometry';
import { stitchesOf } from './stitches';
import { drawings } from '../../words/drawings';

/** One turn of the cycle as a wheel with a ruffle for its rim. Draws only; what it shows is also in the accent table. */
@Component({
  selector: 'app-wheel-drawing',
  imports: [SignsBeside],
  templateUrl: './wheel-drawing.html',
  styleUrl: './wheel-drawing.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WheelDrawing {
  readonly cycle = input.required<AccentCycle>();
  readonly strokes = input.required<readonly LaidStroke[]>();
  readonly slots = input.required<readonly TurnSlot[]>();
  readonly held = input<readonly HeldShape[]>([]);
  /** Where in the turn the left hand lies on the strings or has let go, in ticks: the band of what is held is broken there. */
  readonly free = input<readonly { readonly from: number; readonly to: number }[]>([]);
  /** Slots of the pattern whose fingers are not all written. */
  readonly workedOut = input<ReadonlySet<number>>(new Set());
  /** Index in `slots`. */
  readonly selected = input<number | null>(null);
  /** Place heard in the turn, 0…1. */
  readonly heard = input<number | null>(null);
  /** The wheel turns under a fixed hand. */
  readonly turning = input(false);
  readonly big = input('');
  readonly small = input('');
  readonly label = input('');
  readonly pick = output<number>();

  protected readonly words = drawings;
  protected readonly RADIUS = RADIUS;
  protected readonly back = computed(() => ruffle(this.cycle(), 0.5));
  protected readonly front = computed(() => ruffle(this.cycle(), 0));
  protected readonly creases = computed(() => creases(this.cycle()));
  protected readonly length = computed(() => cycleLength(this.cycle()));
  protected readonly wheelTurn = computed(() => (this.turning() ? -360 * (this.heard() ?? 0) : 0));
  protected readonly handTurn = computed(() => (this.turning() ? 0 : 360 * (this.heard() ?? 0)));

  protected readonly counts = computed(() => {
    const cycle = this.cycle();
    const strong = (n: number) =>
      cycle.accents.some(
        (a) => a.weight >= 0.5 && Math.floor(a.at / TICKS_PER_COUNT) === n && a.at % TICKS_PER_COUNT === 0,
      );
    return cycle.labels.map((label, n) => ({
      label,
      n,
      strong: strong(n),
      place: at(n / cycle.counts, RADIUS.label),
      turn: (360 * n) / cycle.counts,
      tick: `M ${line(n / cycle.counts, RADIUS.thumbIn, RADIUS.rim)}`,
    }));
  });
  /** Accents between counts get a mark of their own on the cloth. */
  protected readonly between = computed(() =>
    this.cycle()
      .accents.filter((a) => a.at % TICKS_PER_COUNT !== 0)
      .map((a) => ({
        at: a.at,
        place: at(a.at / this.length(), RADIUS.label - 2),
        turn: (360 * a.at) / this.length(),
        half: (a.at * 2) % TICKS_PER_COUNT === 0,
      })),
  );
  protected readonly seams = computed(() =>
    this.cycle().groups.length > 1
      ? groupStarts(this.cycle()).map((s) => `M ${line(s / this.length(), RADIUS.thumbIn - 4, RADIUS.cloth + 4)}`)
      : [],
  );
  protected readonly stitches = computed(() =>
    stitchesOf(this.strokes(), this.cycle(), Math.max(12, this.slots().length), this.workedOut()),
  );
  protected readonly arcs = computed(() =>
    this.held().map((h) => {
      const from = h.from / this.length();
      const to = h.to / this.length();
      const middle = (from + to) / 2;
      const below = to - from <= 0.999 && middle > 0.25 && middle < 0.75;
      // Letters about 7.5 wide must fit along the arc.
      const room = Math.floor(((to - from) * 2 * Math.PI * RADIUS.harmony - 8) / 7.5);
      const name = h.name || h.shape.name;
      const shown = name.length <= room ? name : room > 2 ? `${name.slice(0, room - 1)}…` : '';
      return {
        path: arc(from, to, RADIUS.harmony),
        along: arc(from, to, RADIUS.harmony + (below ? 4.5 : -4.5)),
        name: shown,
        key: h.from,
        free: this.free()
          .filter((f) => f.from < h.to && f.to > h.from)
          .map((f) =>
            arc(Math.max(f.from, h.from) / this.length(), Math.min(f.to, h.to) / this.length(), RADIUS.harmony),
          ),
      };
    }),
  );
  protected readonly pads = computed(() =>
    this.slots().map((s, n) => {
      const from = s.inTurn / this.length();
      const half = s.duration / this.length() / 2;
      return {
        n,
        path: wedge(from - half, from + half),
        chosen: n === this.selected(),
        accent: accentAt(this.cycle(), s.inTurn) > 0,
      };
    }),
  );
}

const text = (n: number) => Math.round(n * 100) / 100;
function line(share: number, from: number, to: number): string {
  const a = at(share, from);
  const b = at(share, to);
  return `${text(a.x)} ${text(a.y)} L ${text(b.x)} ${text(b.y)}`;
}
/** The piece of both lanes that belongs to a slot. */
function wedge(from: number, to: number): string {
  const [a, b, c, d] = [
    at(from, RADIUS.thumbIn),
    at(from, RADIUS.rim - 4),
    at(to, RADIUS.rim - 4),
    at(to, RADIUS.thumbIn),
  ];
  const xy = (q: { x: number; y: number }) => `${text(q.x)} ${text(q.y)}`;
  const [out, inn] = [RADIUS.rim - 4, RADIUS.thumbIn];
  return `M ${xy(a)} L ${xy(b)} A ${out} ${out} 0 0 1 ${xy(c)} L ${xy(d)} A ${inn} ${inn} 0 0 0 ${xy(a)} Z`;
}
