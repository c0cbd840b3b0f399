import { type CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  viewChild,
} from '@angular/core';
import {
  type Apart,
  APART,
  COUNT_NOTES,
  type CountNote,
  formSigns,
  type LeftFinger,
  placeOnStep,
  type PlaceChange,
  pressSlot,
  readForm,
  repeatBar,
  setCountNote,
  setPlace,
  type SlotKey,
  cycleLength,
  placeLabel,
} from '@ruffle-wheel/core';
import { MatButton } from '@angular/material/button';
import { MatTabsModule } from '@angular/material/tabs';
import { panelLetters } from '../../keys/acts';
import { Keys } from '../../keys/keys';
import { OpenStudy } from '../../study';
import { ChartField } from '../../parts/chart/chart-field';
import { ActButtons } from '../../parts/act-buttons/act-buttons';
import { ButtonsToggle } from '../../parts/act-buttons/buttons-wanted';
import { PageChoice } from '../../parts/print/page-choice';
import { SectionScript } from '../../parts/script/section-script';
import { layoutOf } from '../../ui/stave/system-layout';
import { TAB_LOOK, TabPanels } from '../../ui/tab-panels';
import { SELECT } from '../../ui/select';
import { Soon, Turns } from '../../ui/soon';
import { StaveSystem } from '../../ui/stave/stave-system';
import { Toggle } from '../../ui/toggle';
import { Transport } from '../../sound/transport';
import { Notice } from '../../ui/notice';
import { weave } from '../../words/weave';
import { BassPanel } from './bass-panel';
import { CompPanel } from './comp-panel';
import { ConflictsPanel, type PiecePlace } from './conflicts-panel';
import { FalsetaPanel } from './falseta-panel';
import { FilesPanel } from './files-panel';
import { FormPanel } from './form-panel';
import { KeysPanel } from './keys-panel';
import { PageMenu } from './page-menu';
import { WeaveApart } from './weave-apart';
import { WeaveCursor } from './weave-cursor';
import { WeaveRange } from './weave-range';
import { WordsField } from './words-field';
import { WrittenMusic } from './written-music';
import { sayPlayed, sayStep } from '../../words/said/strokes';
import { sayCycle } from '../../words/said/catalogue';

/** Pixels to a unit of the drawings. */
const SCALE = 0.9;
const GAP = 8;
/** One letter for each panel: chart, falseta, comping, bass, form, conflicts, keys, files. */
/** A second digit within so many ms belongs to the same fret. */
const SAME_FRET_MS = 800;
const HIGHEST_FRET = 19;

/** How do both hands go together, bar by bar? */
@Component({
  selector: 'app-weave-place',
  imports: [
    ActButtons,
    ButtonsToggle,
    ScrollingModule,
    Soon,
    StaveSystem,
    SectionScript,
    FormPanel,
    ChartField,
    CompPanel,
    BassPanel,
    MatTabsModule,
    ConflictsPanel,
    MatButton,
    KeysPanel,
    Toggle,
    SELECT,
    FalsetaPanel,
    FilesPanel,
    PageMenu,
    WordsField,
  ],
  templateUrl: './weave-place.html',
  styleUrls: ['../../ui/tab-panels.scss', './weave-place.scss'],
  providers: [TAB_LOOK],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeavePlace {
  protected readonly words = weave;
  protected readonly sayCycle = sayCycle;
  protected readonly open = inject(OpenStudy);
  private readonly keys = inject(Keys);
  private readonly notice = inject(Notice);
  private readonly transport = inject(Transport);
  private readonly turns = inject(Turns);
  protected readonly section = this.open.section;
  protected readonly panels = new TabPanels(panelLetters('weave'), (coming) => this.keys.forField(coming));
  protected readonly music = new WrittenMusic();
  protected readonly cursor = new WeaveCursor(this.music);
  protected readonly range = new WeaveRange();
  protected readonly apart = new WeaveApart();
  protected readonly parts = APART;
  private readonly bar = computed(() => this.cursor.stop()?.bar ?? 0);
  protected readonly chosenBars = computed(() => this.range.bars(this.bar()));
  /** Bars that are chosen to their end: while they grow, every step would ask anew. */
  protected readonly keyBars = computed(() => (this.range.growing() ? null : this.chosenBars()), {
    equal: (a, b) => a?.join() === b?.join(),
  });
  protected readonly rangeName = computed(() => {
    const bars = this.chosenBars();
    if (!bars) return '';
    const [from, to] = [bars[0] + 1, bars[1] + 1];
    return this.words.bars(from, to);
  });
  /** Repeats and endings as the form has them. */
  private readonly formSigns = computed(() => {
    const [study, section] = [this.open.study(), this.section()];
    return study && section ? formSigns(readForm(study.form, study.sections).items, section.id) : null;
  });
  protected readonly signs = computed(() => {
    const [form, written] = [this.formSigns(), this.music.written()];
    return form && written ? { form, of: written.of } : null;
  });
  /** The earlier bar that the cursor's is just like, counted from 1; 0 where there is none. */
  protected readonly asBar = computed(() => {
    const [bar, alike] = [this.bar(), this.music.written()?.alike ?? []];
    return (alike[bar] ?? bar) < bar ? (alike[bar] ?? 0) + 1 : 0;
  });
  protected readonly faults = computed(() => this.open.reading()?.faults ?? []);
  protected readonly look = inject(PageChoice);
  /** Words stand under the counts: every system has a line for them. */
  protected readonly worded = computed(() => (this.section()?.words ?? '').trim() !== '');
  protected readonly systemHeight = computed(() => layoutOf(this.look.view().look, this.worded()).height * SCALE + GAP);
  private readonly viewport = viewChild<CdkVirtualScrollViewport>('viewport');
  private readonly editor = viewChild(SectionScript);

  protected readonly mark = computed(() => {
    const stop = this.cursor.stop();
    return stop && { from: stop.from, to: stop.to };
  });
  protected readonly stepText = computed(() => {
    const [stop, section] = [this.cursor.stop(), this.section()];
    return stop && section ? section.script.slice(stop.from, stop.to) : '';
  });
  protected readonly said = computed(() => {
    const [stop, reading] = [this.cursor.stop(), this.open.reading()];
    const step = stop && reading?.flat.slots[stop.slot]?.step;
    return step ? sayStep(step) : '';
  });

  /** The step as one reads it to somebody who does not see the page: count, chord, who plays, strings, left fingers. */
  protected readonly spoken = computed(() => {
    const [stop, section] = [this.cursor.stop(), this.open.section()];
    if (!stop || !section || this.transport.running()) return '';
    const bar = this.music.written()?.bars.find((b) => b.n === stop.bar);
    const event = bar?.events.find((e) => e.at === stop.at);
    const chord = bar?.chords.findLast((c) => c.at <= stop.at - bar.at)?.name ?? '';
    const place = placeLabel(section.cycle, stop.at % cycleLength(section.cycle));
    return this.words.stepAloud(place, chord, event ? sayPlayed(event) : this.said());
  });
  /** Only another bar moves the page: it stays where one has scrolled to when its bars are drawn anew. */
  private readonly systemHere = computed(() => {
    const stop = this.cursor.stop();
    return stop ? this.music.systemOf(stop) : null;
  });

  constructor() {
    const panel = (e: KeyboardEvent) => this.panels.pressed(e);
    const stroke = (e: KeyboardEvent) => this.press(e.key.toLowerCase() as SlotKey);
    this.keys.forPlace(
      'weave',
      {
        'bar before': () => this.cursor.toBar(-1),
        'bar after': () => this.cursor.toBar(1),
        'step before': () => this.cursor.step(-1),
        'step after': () => this.cursor.step(1),
        'string up': () => this.cursor.toStringOn(-1),
        'string down': () => this.cursor.toStringOn(1),
        'first step': () => this.cursor.toPlace(0),
        'last step': () => this.cursor.toPlace(Infinity),
        'script of the bar': () => this.toScript(),
        'bar again': () => this.barAgain(),
        apart: () => {
          this.apart.next();
          void this.heardAnew();
        },
        range: () => this.range.mark(this.bar()),
        'page look': () => {
          this.look.next();
          this.notice.say(this.words.page.shows(this.words.page.looks[this.look.view().look]));
        },
        'no string': () => this.cursor.string.set(null),
        'fret here': (e) => this.onString(() => this.digit(Number(e.key), e.timeStamp)),
        'left finger': () => this.cursor.string() !== null && (this.fingerNext = true),
        'take away': () => this.onString(() => this.place({ kind: 'none' })),
        ...{ stroke, 'mark here': stroke },
        ...{ chart: panel, falseta: panel, comping: panel, bass: panel, form: panel },
        ...{ conflicts: panel, 'key and capo': panel, files: panel },
      },
      () => this.play(),
    );
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const destroyed = inject(DestroyRef);
    const watch = typeof ResizeObserver === 'undefined' ? null : new ResizeObserver(() => this.measure(host));
    watch?.observe(host);
    destroyed.onDestroy(() => watch?.disconnect());
    effect((done) => {
      const viewport = this.viewport();
      if (!viewport) return;
      const seen = viewport.renderedRangeStream.subscribe(({ start, end }) => this.music.inSight.set([start, end]));
      done(() => seen.unsubscribe());
    });
    // The cursor stays in sight, by keys and with the music.
    afterRenderEffect(() => {
      const [system, viewport] = [this.systemHere(), this.viewport()];
      if (system === null || !viewport) return;
      const [top, height] = [system * this.systemHeight(), this.systemHeight()];
      const from = viewport.measureScrollOffset('top');
      if (top < from || top + height > from + viewport.getViewportSize()) viewport.scrollToOffset(top);
    });
  }
  private measure(host: HTMLElement) {
    const page = host.querySelector('.page');
    const px = (page?.clientWidth ?? 0) - 40;
    if (px > 0) this.music.width.set(Math.round(px / SCALE));
  }

  protected readonly countNotes = COUNT_NOTES;
  /** The same music in other note values. */
  protected spell(note: CountNote) {
    const section = this.open.written();
    if (section) this.open.apply(setCountNote(section.id, note));
  }
  private async play() {
    // What plays is stopped at once, without asking what would come.
    await this.range.play(this.bar(), this.transport.running() ? null : await this.apart.plan());
  }
  /** Another part is heard; while it sounds, from its beginning. */
  protected async hear(part: Apart | null) {
    if (!this.apart.choose(part)) return this.notice.say(this.words.noPart);
    await this.heardAnew();
  }
  private async heardAnew() {
    if (!this.transport.running()) return;
    this.transport.stop();
    await this.play();
  }
  protected practiseEach() {
    if (!this.range.practiseEach(this.music.written()?.alike ?? [])) this.notice.say(this.words.noCut);
  }
  protected practiseBars() {
    if (!this.range.practise(this.bar())) this.notice.say(this.words.noCut);
  }
  protected goTo({ section, at }: PiecePlace) {
    this.open.chooseSection(section);
    this.cursor.toPlace(at);
  }
  private toScript() {
    // Just after the place has come its editor is not drawn yet.
    const drawn = this.editor() ? Promise.resolve() : this.turns.coming();
    this.keys.forField(drawn.then(() => this.editor()?.focus() ?? null));
  }
  /** Does something to the string that the cursor stands on; without one nothing. */
  private onString(act: () => void): boolean {
    if (this.cursor.string() === null) return false;
    act();
    this.fingerNext = false;
    return true;
  }
  /** The next digit names a finger of the left hand. */
  private fingerNext = false;
  private before: { readonly fret: number; readonly at: number; readonly place: string } | null = null;
  /** A digit stops the cursor's string there; two in quick succession are one fret; after `=` it names the finger. */
  private digit(n: number, at: number) {
    const place = `${this.cursor.index() ?? 0} ${this.cursor.string()}`;
    if (this.fingerNext) {
      if (n <= 4) this.place({ kind: 'finger', finger: n as LeftFinger, fret: this.fretHere() });
      return;
    }
    const both = (this.before?.fret ?? 0) * 10 + n;
    const joins = this.before?.place === place && at - this.before.at < SAME_FRET_MS && both <= HIGHEST_FRET;
    const fret = joins ? both : n;
    this.before = { fret, at, place };
    this.place({ kind: 'fret', fret });
  }
  /** The fret that sounds on the cursor's string. */
  private fretHere(): number {
    const [stop, string] = [this.cursor.stop(), this.cursor.string()];
    const events = this.music.written()?.bars.flatMap((b) => b.events) ?? [];
    return events.find((x) => x.at === stop?.at)?.notes.find((x) => x.string === string)?.fret ?? 0;
  }
  private place(change: PlaceChange) {
    const [section, string] = [this.section(), this.cursor.string()];
    const slot = this.cursor.stop()?.slot ?? 0;
    if (!section || string === null) return;
    const step = this.open.reading()?.flat.slots[slot]?.step;
    if (step && placeOnStep(step, string, change) === null) this.notice.say(this.words.noPlace);
    else this.open.apply(setPlace(section.id, slot, string, change));
  }
  /** The bar after the cursor's becomes the same; the cursor goes on to it. */
  private barAgain() {
    const [section, study, stop] = [this.section(), this.open.study(), this.cursor.stop()];
    if (!section || !study || !stop) return;
    const command = repeatBar(section.id, stop.bar);
    if (command(study) === study) return this.notice.say(this.words.noBar);
    this.open.apply(command);
    this.cursor.toBeginOf(stop.bar + 1);
  }
  private press(key: SlotKey) {
    const section = this.section();
    if (section) this.open.apply(pressSlot(section.id, this.cursor.stop()?.slot ?? 0, key));
  }
}
