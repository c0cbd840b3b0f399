import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatTabsModule } from '@angular/material/tabs';
import {
  blockChords,
  changeBetween,
  fretsText,
  handOn,
  heldChords,
  heldInTurn,
  OPEN_SHAPE,
  type LeftMove,
  type PlacedChange,
  reachFault,
  type Shape,
  shapeAt,
  shapeSpan,
  cycleLength,
  writtenChords,
} from '@ruffle-wheel/core';
import { panelLetters } from '../../keys/acts';
import { ActButtons } from '../../parts/act-buttons/act-buttons';
import { ButtonsToggle } from '../../parts/act-buttons/buttons-wanted';
import { Keys } from '../../keys/keys';
import { heardPlace, Transport } from '../../sound/transport';
import { Collection, OpenStudy } from '../../study';
import { TryOut } from '../../parts/try-out/try-out';
import { TuningFields } from '../../parts/tuning/tuning-fields';
import { sayBeyondNeck } from '../../ui/beyond-neck';
import { SmallTablature } from '../../ui/small-tablature';
import { columnsOf } from '../../ui/struck-columns';
import { NeckDrawing } from '../../ui/neck/neck-drawing';
import { Notice } from '../../ui/notice';
import { TAB_LOOK, TabPanels } from '../../ui/tab-panels';
import { Soon } from '../../ui/soon';
import { neck as neckWords } from '../../words/neck';
import { ChangeTimes } from './change-times';
import { ChangesPanel } from './changes-panel';
import { type BandChord, TurnBand } from './turn-band';
import { FindPanel } from './find-panel';
import { MelodyPanel } from './melody-panel';
import { RowPanel } from './row-panel';
import { ShapeWriting } from './shape-writing';
import { NeckWalk } from './walk';
import { MatButton } from '@angular/material/button';
import { Toggle } from '../../ui/toggle';
import { FIELD } from '../../ui/field';
import { sayFact } from '../../words/said/faults';
import { sayBorrowed, sayChange, sayRightHand } from '../../words/said/left-hand';
import { sayPlayed } from '../../words/said/strokes';

/** One letter for each panel: changes, find, row, melody. */
/** What is tried out while block chords are played. */
const BLOCKS = 'block chords';

/** Where does the left hand go? The shapes in order, what stays, slides and lands between them. */
@Component({
  selector: 'app-neck-place',
  imports: [
    ActButtons,
    ButtonsToggle,
    FIELD,
    Toggle,
    MatButton,
    Soon,
    SmallTablature,
    TurnBand,
    ChangeTimes,
    MatTabsModule,
    NeckDrawing,
    ChangesPanel,
    FindPanel,
    RowPanel,
    MelodyPanel,
    TuningFields,
  ],
  templateUrl: './neck-place.html',
  styleUrls: ['../../ui/tab-panels.scss', './neck-place.scss'],
  providers: [TAB_LOOK],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NeckPlace {
  protected readonly words = neckWords.neck;
  protected readonly open = inject(OpenStudy);
  protected readonly collection = inject(Collection);
  private readonly transport = inject(Transport);
  private readonly tryOut = inject(TryOut);
  private readonly notice = inject(Notice);
  private readonly keys = inject(Keys);
  protected readonly panels = new TabPanels(panelLetters('neck'), (coming) => this.keys.forField(coming));
  private readonly choice = signal(0);
  protected readonly writing = new ShapeWriting(() => this.present());
  protected readonly draft = this.writing.draft;

  /** The chart's chords in their order; one that is all through is one. */
  private readonly chords = computed(() => {
    const section = this.open.section();
    return section ? heldChords(section, this.open.shapes()) : [];
  });
  protected readonly row = computed((): Shape[] =>
    this.chords().map((c) => c.shape ?? { ...OPEN_SHAPE, id: `open ${c.name}`, name: c.name || OPEN_SHAPE.name }),
  );
  /** What is held where the music is heard; shapes go round with the harmony. */
  private readonly heardShape = computed(() => {
    const section = this.open.section();
    const heard = section ? heardPlace(this.transport.heard(), cycleLength(section.cycle)) : null;
    if (!section || !heard || heard.countingIn) return null;
    return shapeAt(heldInTurn(section, this.open.shapes(), heard.turn), heard.inTurn);
  });
  /** The chord under the note that is walked to. */
  private readonly walkedShape = computed(() => {
    const event = this.walk.place()?.event;
    return event ? (this.open.reading()?.score.chords[event.chord]?.shape ?? null) : null;
  });
  protected readonly index = computed(() => {
    const heard = this.walkedShape() ?? this.heardShape();
    const row = this.row();
    if (!heard) return Math.min(this.choice(), Math.max(0, row.length - 1));
    const from = Math.min(this.choice(), Math.max(0, row.length - 1));
    // The same shape may stand in the row twice: the next one on from where it was.
    for (let n = 0; n < row.length; n++)
      if (row[(from + n) % row.length]?.id === heard.id) return (from + n) % row.length;
    return from;
  });
  /** The place of the present chord among those that the chart writes: what is put there takes it. */
  protected readonly written = computed((): number | null => {
    const section = this.open.section();
    const here = this.chords()[this.index()];
    if (!section || !here) return null;
    const all = writtenChords(section.chart, section.cycle);
    const n = all.findIndex((c) => c.range.from === here.range.from);
    const named = n >= 0 ? n : all.findIndex((c) => c.name === here.name);
    return named >= 0 ? named : null;
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
    const here = this.walk.here();
    if (here !== null) {
      const before = this.walk.alone() && here > 0 ? this.walk.placeOf(here - 1) : null;
      return before ? this.wayOf({ ...before.shape, name: this.noteName(here - 1) }, this.drawn()) : null;
    }
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
  /** Note by note through the frets that strokes bring with them. */
  protected readonly walk = new NeckWalk();
  protected readonly line = computed(() => columnsOf(this.walk.events()));
  private noteName(n: number): string {
    return this.words.noteOf(n + 1, this.walk.events().length);
  }
  protected readonly drawn = computed((): Shape => {
    const here = this.walk.here();
    const place = this.walk.place();
    if (this.draft() || here === null || !place) return this.draft() ?? this.present();
    const name = this.walk.alone() ? this.noteName(here) : `${this.present().name} · ${this.noteName(here)}`;
    return { ...place.shape, name };
  });
  /** Fingers that have left the held shape for this note, and by when they are needed there. */
  protected readonly borrowed = computed(() => {
    const section = this.open.section();
    const place = this.draft() ? null : this.walk.place();
    return section && place ? place.borrowed.map((b) => sayBorrowed(b, section.cycle)) : [];
  });
  protected readonly band = computed((): BandChord[] => {
    const row = this.row();
    return this.chords().flatMap(({ at, until }, n) => {
      const shape = row[n];
      if (!shape) return [];
      const from = row[(n + row.length - 1) % row.length] ?? shape;
      const time = from.id === shape.id ? null : (this.changeOf(from, shape)?.sequential ?? null);
      return [{ at, until, name: shape.name, frets: fretsText(shape), time }];
    });
  });
  /** The count that the change at hand is made on, where it is the hardest of its kind. */
  /** The shape that one has come to, and what the way there asks; nothing while it sounds. */
  protected readonly spoken = computed(() => {
    if (this.transport.running()) return '';
    const here = this.walk.here();
    const note = here === null ? undefined : this.walk.events()[here];
    if (note && here !== null) return this.words.noteAloud(this.noteName(here), sayPlayed(note));
    const change = this.change();
    return this.words.shapeAloud(this.drawn().name, change ? sayChange(change) : []);
  });
  protected readonly changeOn = computed(() => {
    const [from, to] = [this.former(), this.present()];
    return (from && this.walk.here() === null && this.changeOf(from, to)?.label) || '';
  });
  /** Without strokes nothing says how much time a change has. */
  protected readonly silent = computed(() => this.open.reading()?.flat.events.length === 0);
  protected readonly span = computed(() => {
    const mm = Math.round(shapeSpan(this.drawn(), this.open.neck()));
    const beyond = this.draft() ? null : reachFault(this.drawn(), handOn(this.open.neck(), this.collection.profile()));
    return { mm, beyond: beyond && sayFact(beyond) };
  });
  protected readonly beyondNeck = computed(() => sayBeyondNeck(this.drawn().frets, this.open.capo()));
  constructor() {
    const panel = (e: KeyboardEvent) => this.panels.pressed(e);
    const written = (e: KeyboardEvent) => this.writing.pressed(e.key);
    this.keys.forPlace('neck', {
      'note before': () => this.walk.step(-1),
      'note after': () => this.walk.step(1),
      'shape before': () => this.to(this.now() - 1),
      'shape after': () => this.to(this.now() + 1),
      ...{ 'next string': written, fret: written, 'fret on': written, 'string silent': written },
      'finger there': written,
      blocks: () => this.playBlocks(),
      'to shapes': () => this.leave(),
      'keep shape': (e) => !!this.draft() && !this.keys.onControl(e) && this.writing.keep(this.written()),
      ...{ changes: panel, find: panel, row: panel, melody: panel },
    });
  }

  protected to(n: number) {
    const length = this.row().length;
    if (this.walk.alone()) return this.walk.to(n);
    this.walk.leave();
    if (length) this.choice.set((n + length) % length);
  }
  /** A move of the list shown on the neck: its shapes, or the note that it leads to. */
  protected show(change: LeftMove) {
    const row = this.row();
    const n = row.findIndex(
      (s, i) => s.id === change.to.id && row[(i + row.length - 1) % row.length]?.id === change.from.id,
    );
    const { line } = change;
    if (line) this.walk.toStroke(line.to, line.chords[1]);
    else if (n >= 0) this.choice.set(n);
  }

  /** Where the arrows go on from. */
  private now(): number {
    return this.walk.alone() ? (this.walk.here() ?? 0) : this.index();
  }
  /** From writing, or from a line, back to the shapes. */
  private leave() {
    if (this.draft()) this.writing.leave();
    else this.walk.leave();
  }
  /** The shapes alone, one strum with each, in place of the pattern; the same key goes back to it. */
  protected playBlocks() {
    const written = this.open.written();
    const blocks = written ? blockChords(written) : null;
    if (blocks) this.tryOut.show(BLOCKS, blocks);
    else this.notice.say(this.words.finer);
  }
}
