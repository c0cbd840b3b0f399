import { computed, inject, signal } from '@angular/core';
import {
  type Borrowed,
  cycleLength,
  OPEN_SHAPE,
  perString,
  type ScoreEvent,
  type Shape,
  type StringNumber,
  STRINGS,
  stopFor,
} from '@ruffle-wheel/core';
import { heardPlace, Transport } from '../../sound/transport';
import { OpenStudy } from '../../study';

/** What the left hand does at one stroke: the shape as it really stands, and what of it belongs to the line. */
export interface WalkPlace {
  readonly event: ScoreEvent;
  readonly shape: Shape;
  /** Strings that the stroke stops for itself. */
  readonly line: readonly StringNumber[];
  /** Fingers that have left the held shape for it. */
  readonly borrowed: readonly Borrowed[];
  /** Where those fingers belong. */
  readonly away: readonly { readonly string: StringNumber; readonly fret: number }[];
}
const stops = (e: ScoreEvent): StringNumber[] =>
  e.notes.flatMap((n) => (stopFor(e.motion, n.string) ? [n.string] : []));

/** Note by note through a line, over a held shape or alone: by keys, or along with the music. */
export class NeckWalk {
  private readonly open = inject(OpenStudy);
  private readonly transport = inject(Transport);
  /** Null: the held shapes are looked at, not the line over them. */
  private readonly chosen = signal<number | null>(null);

  /** Strokes that bring frets with them, each once on every chord that it meets. */
  readonly events = computed((): readonly ScoreEvent[] => this.open.reading()?.line ?? []);
  /** No shapes are held: the neck shows the line alone. */
  readonly alone = computed(() => this.open.section()?.chart.trim() === '' && this.events().length > 0);
  private readonly heard = computed(() => {
    const section = this.open.section();
    const length = this.open.reading()?.score.length ?? 0;
    const heard = section ? heardPlace(this.transport.heard(), cycleLength(section.cycle)) : null;
    if (!section || !heard || heard.countingIn || length === 0) return null;
    return (heard.turn * cycleLength(section.cycle) + heard.inTurn) % length;
  });
  /** The note heard last, or the one chosen; of a line alone always one. */
  readonly here = computed((): number | null => {
    const events = this.events();
    if (events.length === 0) return null;
    const heard = this.heard();
    if (heard !== null) {
      const times = this.open.reading()?.lineTimes ?? [];
      return (times.findLast(([at]) => at <= heard) ?? times.at(-1))?.[1] ?? 0;
    }
    const chosen = this.chosen() ?? (this.alone() ? 0 : null);
    return chosen === null ? null : Math.min(chosen, events.length - 1);
  });
  readonly place = computed((): WalkPlace | null => {
    const here = this.here();
    return here === null ? null : this.placeOf(here);
  });

  placeOf(n: number): WalkPlace | null {
    const event = this.events()[n];
    const reading = this.open.reading();
    if (!event || !reading) return null;
    const line = stops(event);
    const chord = reading.score.chords[event.chord];
    const grip = reading.grips.find((g) => event.at >= g.at && event.at < g.until);
    const held = chord?.name ? chord.shape : OPEN_SHAPE;
    const note = (string: StringNumber) => event.notes.find((x) => x.string === string);
    const bare = !chord?.name;
    return {
      event,
      line,
      borrowed: grip?.borrowed ?? [],
      away: (grip?.borrowed ?? []).flatMap((b) =>
        b.from.flatMap((string) => {
          const fret = held.frets[STRINGS.indexOf(string)];
          return fret ? [{ string, fret }] : [];
        }),
      ),
      shape: {
        ...held,
        id: `line ${n}`,
        frets: perString((s, i) => note(s)?.fret ?? (bare ? null : (grip?.frets[i] ?? held.frets[i] ?? null))),
        fingers: perString((s, i) => {
          const own = note(s);
          return own ? own.left : bare ? null : (grip?.fingers[i] ?? held.fingers[i] ?? null);
        }),
      },
    };
  }

  /** One note on or back; past the end it goes round. */
  step(way: number) {
    const n = this.events().length;
    if (n === 0) return;
    const now = this.here();
    this.chosen.set(now === null ? (way > 0 ? 0 : n - 1) : (now + way + n) % n);
  }
  to(n: number) {
    const all = this.events().length;
    if (all) this.chosen.set(((n % all) + all) % all);
  }
  /** To a stroke by its slot, on the chord that it is played on. */
  toStroke(slot: number, chord: string) {
    const chords = this.open.reading()?.score.chords ?? [];
    this.to(this.events().findIndex((e) => e.slot === slot && (chords[e.chord]?.name ?? '') === chord));
  }
  /** Back to the held shapes. */
  leave() {
    this.chosen.set(null);
  }
}
