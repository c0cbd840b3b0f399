import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatTabsModule } from '@angular/material/tabs';
import {
  blockChords,
  changeBetween,
  fretsText,
  handOn,
  heldInTurn,
  OPEN_SHAPE,
  type PlacedChange,
  reachFault,
  type Shape,
  type StoppedNote,
  sayRightHand,
  shapeAt,
  shapeSpan,
  stopOver,
  stopsOf,
  STRINGS,
  cycleLength,
  wrap,
} from '@ruffle-wheel/core';
import { Keys } from '../../shell/keys';
import { heardPlace, Transport } from '../../sound/transport';
import { Collection, OpenStudy } from '../../study';
import { TryOut } from '../../parts/try-out/try-out';
import { TuningFields } from '../../parts/tuning/tuning-fields';
import { sayBeyondNeck } from '../../ui/beyond-neck';
import { LineTable } from '../../ui/line-table';
import { NeckDrawing } from '../../ui/neck/neck-drawing';
import { Notice } from '../../ui/notice';
import { TabPanels } from '../../ui/tab-panels';
import { words } from '../../words/en';
import { ChangesPanel } from './changes-panel';
import { FindPanel } from './find-panel';
import { MelodyPanel } from './melody-panel';
import { RowPanel } from './row-panel';
import { ShapeWriting } from './shape-writing';

/** One letter for each panel: changes, find, row, melody. */
const PANEL_KEYS = 'hfrm';
/** What is tried out while block chords are played. */
const BLOCKS = 'block chords';

/** Where does the left hand go? The shapes in order, what stays, slides and lands between them. */
@Component({
  selector: 'app-neck-place',
  imports: [LineTable, MatTabsModule, NeckDrawing, ChangesPanel, FindPanel, RowPanel, MelodyPanel, TuningFields],
  templateUrl: './neck-place.html',
  styleUrls: ['../../ui/tab-panels.scss', './neck-place.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NeckPlace {
  protected readonly words = words.neck;
  protected readonly open = inject(OpenStudy);
  protected readonly collection = inject(Collection);
  private readonly transport = inject(Transport);
  private readonly tryOut = inject(TryOut);
  private readonly notice = inject(Notice);
  private readonly keys = inject(Keys);
  protected readonly panels = new TabPanels(PANEL_KEYS, (coming) => this.keys.forField(coming));
  private readonly choice = signal(0);
  protected readonly writing = new ShapeWriting(() => this.present());
  protected readonly draft = this.writing.draft;

  protected readonly row = computed(() =>
    (this.open.section()?.harmony.shapes ?? []).map((id) => this.open.shapes().find((s) => s.id === id) ?? OPEN_SHAPE),
  );
  /** What is held where the music is heard; shapes go round with the harmony. */
  private readonly heardShape = computed(() => {
    const section = this.open.section();
    const heard = section ? heardPlace(this.transport.heard(), cycleLength(section.cycle)) : null;
    if (!section || !heard || heard.countingIn) return null;
    return shapeAt(heldInTurn(section, this.open.shapes(), heard.turn), heard.inTurn);
  });
  protected readonly index = computed(() => {
    const heard = this.heardShape();
    const row = this.row();
    if (!heard) return Math.min(this.choice(), Math.max(0, row.length - 1));
    const from = Math.min(this.choice(), Math.max(0, row.length - 1));
    // The same shape may stand in the row twice: the next one on from where it was.
    for (let n = 0; n < row.length; n++)
      if (row[(from + n) % row.length]?.id === heard.id) return (from + n) % row.length;
    return from;
  });
  protected readonly present = computed(() => this.row()[this.index()] ?? OPEN_SHAPE);
  protected readonly former = computed(() => {
    const row = this.row();
    const before = row[(this.index() + row.length - 1) % Math.max(1, row.length)];
    return before && before.id !== this.present().id ? before : null;
  });
  private readonly changes = computed(() => this.open.reading()?.changes ?? []);
  private changeOf(from: Shape, to: Shape): PlacedChange | null {
    return this.changes().find((c) => c.from.id === from.id && c.to.id === to.id) ?? null;
  }
  /** The way from the former shape; without strokes where the section does not make it. */
  protected readonly change = computed(() => {
    if (this.draft()) return null;
    if (this.lineOnly()) return this.here() > 0 ? this.wayOf(this.lineShape(this.here() - 1), this.drawn()) : null;
    const [from, to] = [this.former(), this.present()];
    return from ? (this.changeOf(from, to) ?? this.wayOf(from, to)) : null;
  });
  private wayOf(from: Shape, to: Shape) {
    return changeBetween({ from, to, neck: this.open.neck(), profile: this.collection.profile(), strokes: [] });
  }
  /** What the present shape asks of the right hand. */
  protected readonly rightHand = computed(() => {
    const [from, to] = [this.former(), this.present()];
    const placed = from && !this.draft() ? this.changeOf(from, to) : null;
    return placed ? sayRightHand(placed.rightHand).join(' ') : '';
  });
  protected readonly blocks = computed(() => this.tryOut.shown() === BLOCKS);
  /** The notes that a line stops for itself, by their places in the pattern. */
  private readonly places = computed(() => {
    const byPlace = new Map<number, StoppedNote[]>();
    const flat = this.open.reading()?.flat;
    const inStrokes = flat ? stopsOf(flat) : [];
    for (const n of [...(this.open.section()?.stopped ?? []), ...inStrokes])
      byPlace.set(n.at, [...(byPlace.get(n.at) ?? []), n]);
    return [...byPlace].sort((a, b) => a[0] - b[0]);
  });
  /** The place heard last; without music the chosen one where a line stands alone, else its first. */
  protected readonly here = computed(() => {
    const places = this.places();
    const section = this.open.section();
    const length = this.open.reading()?.flat.length ?? 0;
    const heard = section ? heardPlace(this.transport.heard(), cycleLength(section.cycle)) : null;
    if (!section || length === 0 || !heard || heard.countingIn)
      return this.lineOnly() ? Math.min(this.choice(), Math.max(0, places.length - 1)) : 0;
    const at = wrap(heard.turn * cycleLength(section.cycle) + heard.inTurn - section.start, length);
    return Math.max(
      0,
      places.findLastIndex(([place]) => place <= at),
    );
  });
  private readonly stopped = computed(() => this.places()[this.here()]?.[1] ?? []);
  /** No shapes are held: the neck shows the line alone. */
  protected readonly lineOnly = computed(() => this.row().length === 0 && this.places().length > 0);
  protected readonly line = computed(() => {
    const each = (name: string, of: (n: StoppedNote) => string) => ({
      name,
      cells: this.places().map(([, notes]) => notes.map(of).join(' ')),
    });
    return [
      each(this.words.string, (n) => String(n.string)),
      each(this.words.fret, (n) => String(n.fret)),
      each(this.words.left, (n) => String(n.finger ?? (n.fret === 0 ? 0 : ''))),
    ];
  });
  protected readonly drawn = computed((): Shape => {
    const draft = this.draft();
    return draft ?? (this.lineOnly() ? this.lineShape(this.here()) : stopOver(this.present(), this.stopped()));
  });
  /** What is stopped at one place of the line, as a shape of those strings alone. */
  private lineShape(n: number): Shape {
    const nothing = { frets: STRINGS.map(() => null), fingers: STRINGS.map(() => null) };
    const name = `${this.words.note} ${n + 1} ${this.words.of} ${this.places().length}`;
    return stopOver({ id: `line ${n}`, name, ...nothing }, this.places()[n]?.[1] ?? []);
  }
  protected readonly cards = computed(() => {
    const row = this.row();
    return row.map((shape, n) => {
      const from = row[(n + row.length - 1) % row.length] ?? shape;
      const s = from.id === shape.id ? null : (this.changeOf(from, shape)?.sequential ?? null);
      return {
        n,
        name: shape.name,
        frets: fretsText(shape),
        time: s
          ? {
              there: s.thereMs,
              needed: s.neededMs,
              late: s.neededMs > s.thereMs,
              share: Math.min(100, (100 * s.neededMs) / Math.max(1, s.thereMs)),
            }
          : null,
        here: n === this.index(),
      };
    });
  });
  /** Without strokes nothing says how much time a change has. */
  protected readonly silent = computed(() => this.open.reading()?.flat.events.length === 0);
  protected readonly span = computed(() => {
    const mm = Math.round(shapeSpan(this.drawn(), this.open.neck()));
    const beyond = this.draft() ? null : reachFault(this.drawn(), handOn(this.open.neck(), this.collection.profile()));
    return { mm, beyond };
  });
  protected readonly beyondNeck = computed(() => sayBeyondNeck(this.drawn().frets, this.open.capo()));
  constructor() {
    this.keys.forPlace((e) => this.pressed(e));
  }

  protected to(n: number) {
    const length = this.row().length || this.places().length;
    if (length) this.choice.set((n + length) % length);
  }
  /** A change of the list shown on the neck. */
  protected show(change: PlacedChange) {
    const row = this.row();
    const n = row.findIndex(
      (s, i) => s.id === change.to.id && row[(i + row.length - 1) % row.length]?.id === change.from.id,
    );
    if (n >= 0) this.choice.set(n);
  }

  private pressed(e: KeyboardEvent): boolean {
    const inTabs = e.target instanceof HTMLElement && e.target.closest('[role="tab"]') && e.key.startsWith('Arrow');
    if (inTabs) return false;
    const now = this.lineOnly() ? this.here() : this.index();
    if (e.key === 'ArrowLeft') this.to(now - 1);
    else if (e.key === 'ArrowRight') this.to(now + 1);
    else if (this.writing.pressed(e.key)) return true;
    else if (e.key === 'b' || e.key === 'B') this.playBlocks();
    else if (e.key === 'Escape') this.writing.leave();
    else if (e.key === 'Enter' && this.draft() && !Keys.onControl(e)) this.writing.keep(this.index());
    else return this.panels.pressed(e);
    return true;
  }
  /** The shapes alone, one strum with each, in place of the pattern; the same key goes back to it. */
  protected playBlocks() {
    const written = this.open.written();
    const blocks = written ? blockChords(written) : null;
    if (blocks) this.tryOut.show(BLOCKS, blocks);
    else this.notice.say(this.words.finer);
  }
}
