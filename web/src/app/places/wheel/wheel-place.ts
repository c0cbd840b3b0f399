import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatTabsModule } from '@angular/material/tabs';
import { Router } from '@angular/router';
import {
  cycleLength,
  MOST_FAULTS,
  placeLabel,
  pressSlot,
  printStep,
  setCell,
  setScript,
  setStart,
  setSteps,
  type SlotKey,
  slotsInTurn,
  STEPS_PER_COUNT,
  stepTicks,
  shapeAt,
  trebleSet,
  OPEN_SHAPE,
  type Step,
  type Ticks,
} from '@ruffle-wheel/core';
import { TurnInView } from '../../parts/turn/turn-in-view';
import { ActButtons } from '../../parts/act-buttons/act-buttons';
import { ButtonsToggle } from '../../parts/act-buttons/buttons-wanted';
import { TurnStrip } from '../../parts/turn/turn-strip';
import { Letters } from '../../parts/letters/letters';
import { StartingPoints } from '../../compute/starting-points';
import { panelLetters } from '../../keys/acts';
import { Keys } from '../../keys/keys';
import { Collection, OpenStudy } from '../../study';
import { SectionScript } from '../../parts/script/section-script';
import { TAB_LOOK, TabPanels } from '../../ui/tab-panels';
import { WheelDrawing } from '../../ui/wheel/wheel-drawing';
import { Soon, Turns } from '../../ui/soon';
import { wheel as wheelWords } from '../../words/wheel';
import { shell as words } from '../../words/shell';
import { AccentsPanel } from './accents-panel';
import { CyclePanel } from './cycle-panel';
import { DrillsPanel } from './drills-panel';
import { FitPanel } from './fit-panel';
import { FindingsPanel, type Lead } from './findings-panel';
import { LinePanel } from './line-panel';
import { ShapePanel } from './shape-panel';
import { SELECT } from '../../ui/select';
import { IconButton } from '../../ui/icon-button';
import { Toggle } from '../../ui/toggle';
import { listed } from '../../words/said/lists';
import { sayWayToBegin } from '../../words/said/schools';
import { sayMet, sayStep } from '../../words/said/strokes';
import { sayFaults } from '../../words/said/faults';
import { sayCycle } from '../../words/said/catalogue';

/** One key for each panel beside the wheel, in their order. */

/** Faults listed at once; the rest is counted. */
const SHOWN_FAULTS = 20;
const LONGEST_SHOWN = 24;
const brief = (text: string): string => (text.length > LONGEST_SHOWN ? `${text.slice(0, LONGEST_SHOWN - 1)}…` : text);

/** What does the right hand do against the cycle? */
@Component({
  selector: 'app-wheel-place',
  imports: [
    ActButtons,
    ButtonsToggle,
    Toggle,
    IconButton,
    SELECT,
    Soon,
    MatButton,
    MatTabsModule,
    WheelDrawing,
    TurnStrip,
    SectionScript,
    FindingsPanel,
    FitPanel,
    LinePanel,
    DrillsPanel,
    AccentsPanel,
    ShapePanel,
    CyclePanel,
  ],
  templateUrl: './wheel-place.html',
  styleUrls: ['../../ui/tab-panels.scss', './wheel-place.scss'],
  providers: [TurnInView, TAB_LOOK],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WheelPlace {
  protected readonly words = wheelWords.wheel;
  protected readonly sayCycle = sayCycle;
  protected readonly open = inject(OpenStudy);
  protected readonly collection = inject(Collection);
  private readonly drawn = inject(Turns);
  protected readonly stepChoices = STEPS_PER_COUNT;

  private readonly keys = inject(Keys);
  private readonly router = inject(Router);
  protected readonly letters = inject(Letters);
  protected readonly panels = new TabPanels(panelLetters('wheel'), (coming) => this.keys.forField(coming));
  private readonly editor = viewChild(SectionScript);

  protected readonly view = inject(TurnInView);
  protected readonly slots = this.view.slots;
  protected readonly held = this.view.held;
  protected readonly turns = this.view.turns;
  protected readonly allTurns = this.view.allTurns;
  protected readonly turn = this.view.turn;
  protected readonly patternTurn = this.view.patternTurn;
  protected readonly selected = signal<number | null>(null);
  protected readonly section = this.open.section;
  private readonly sectionId = computed(() => this.section()?.id);
  protected readonly reading = this.open.reading;
  protected readonly isEmpty = computed(() => this.reading() !== null && this.reading()?.flat.slots.length === 0);
  private readonly points = inject(StartingPoints);
  protected readonly starting = computed(() => {
    const section = this.section();
    const points = section && this.isEmpty() ? this.points.of(section.cycle, this.collection.profile()) : [];
    return points.map((p) => ({ ...p, said: sayWayToBegin(p) }));
  });
  protected readonly arcs = computed(() => (this.section()?.chart.trim() ? this.held() : []));
  protected readonly free = computed(() => this.view.leftHand().filter((l) => !l.pressed));
  protected readonly big = computed(() => {
    const section = this.section();
    const heard = this.view.heardAt();
    if (!section) return '';
    if (heard) return section.cycle.labels[heard.count] ?? '';
    const slot = this.slots()[this.selected() ?? -1];
    return slot ? placeLabel(section.cycle, slot.inTurn) : (section.cycle.labels[0] ?? '');
  });
  protected readonly small = computed(() => {
    if (this.view.heardAt()?.countingIn) return words.header.countingIn;
    return this.words.turnOf(this.turn() + 1, this.allTurns());
  });
  protected readonly wheelLabel = computed(() => {
    const section = this.section();
    const reading = this.reading();
    if (!section || !reading) return '';
    const here = reading.layout.meetings.filter((m) => m.turn === this.patternTurn());
    const met = here.map((m) => `${m.label} ${sayMet(m.by)}`);
    const shapes = this.arcs().map((h) => h.name || h.shape.name);
    const turnOf = this.words.turnOf(this.turn() + 1, this.allTurns());
    return this.words.label(sayCycle(section.cycle).name, turnOf, listed(met), shapes);
  });
  protected readonly selectedSlot = computed(() => {
    const section = this.section();
    const n = this.selected();
    const slot = n === null ? undefined : this.slots()[n];
    if (!section || n === null || !slot) return null;
    const leaf = this.reading()?.flat.slots[slot.slot];
    return {
      n,
      label: placeLabel(section.cycle, slot.inTurn),
      text: leaf ? printStep(leaf.step, this.collection.profile().littleFinger) : '.',
      said: leaf ? this.said(leaf.step, slot.inTurn) : '',
      range: leaf?.range ?? null,
    };
  });
  /** Where the cursor stands in the script; null when the script has not the focus. */
  protected readonly cursor = signal<number | null>(null);
  /** The step that the cursor stands in or behind, in words. */
  protected readonly underCursor = computed(() => {
    const [at, section, flat] = [this.cursor(), this.section(), this.reading()?.flat];
    if (at === null || !section || !flat) return null;
    const leaf = flat.slots.find((s) => s.range.from <= at && at <= s.range.to);
    const isFaulty = this.faults().some((f) => f.from <= at && at <= f.to);
    if (!leaf || isFaulty) return null;
    return { text: section.script.slice(leaf.range.from, leaf.range.to), said: this.said(leaf.step, null) };
  });
  /** A step in words, with the treble set of the chord that is held at a place of the turn. */
  private said(step: Step, inTurn: Ticks | null): string {
    const held = this.held();
    const shape = inTurn === null ? held[0]?.shape : shapeAt(held, inTurn);
    return sayStep(step, trebleSet(shape ?? OPEN_SHAPE));
  }
  protected readonly mark = computed(() => this.selectedSlot()?.range ?? null);
  protected readonly startChoices = computed(() => {
    const section = this.section();
    if (!section) return [];
    const step = stepTicks(section.stepsPerCount) ?? 1;
    const n = Math.floor(cycleLength(section.cycle) / step);
    return Array.from({ length: n }, (_, i) => ({ at: i * step, label: placeLabel(section.cycle, i * step) }));
  });
  protected readonly faults = computed(() => sayFaults(this.reading()?.faults ?? []));
  protected readonly mostFaults = MOST_FAULTS;
  protected readonly shownFaults = computed(() => {
    const script = this.section()?.script ?? '';
    return this.faults()
      .slice(0, SHOWN_FAULTS)
      .map((f) => ({ ...f, quote: brief(script.slice(f.from, f.to)), fixQuote: brief(f.fix ?? '') }));
  });

  constructor() {
    const panel = (e: KeyboardEvent) => this.panels.pressed(e);
    const stroke = (e: KeyboardEvent) => this.selected() !== null && this.press(e.key.toLowerCase() as SlotKey);
    this.keys.forPlace('wheel', {
      'slot before': () => this.toSlot(-1),
      'slot after': () => this.toSlot(1),
      'turn after': () => this.toTurn(1),
      'turn before': () => this.toTurn(-1),
      script: () => this.toScript(),
      'write in': () => this.writeIn(),
      letters: () => void this.letters.show(),
      ...{ findings: panel, accents: panel, fit: panel, line: panel, drills: panel, shape: panel, cycle: panel },
      'no slot': () => this.selected.set(null),
      ...{ finger: stroke, direction: stroke, golpe: stroke, mark: stroke, silence: stroke },
    });
    // Another section or study begins at its first turn with nothing chosen.
    effect(() => {
      void this.sectionId();
      untracked(() => {
        this.view.choice.set(0);
        this.selected.set(null);
      });
    });
  }

  /** From a finding to the place it is about, or to what mends it. */
  protected follow({ to, slot }: Lead) {
    if (to === 'slot') {
      if (slot !== undefined) this.showSlot(slot);
    } else if (to === 'changes') void this.router.navigateByUrl('/neck');
    else if (to === 'ladder') void this.router.navigateByUrl('/practise');
    else this.panels.show({ accents: 'r', fit: 'f', shape: 'h' }[to]);
  }
  /** Chooses a step of the pattern, in the first turn that it comes in. */
  private showSlot(slot: number) {
    const [section, flat] = [this.section(), this.reading()?.flat];
    if (!section || !flat) return;
    for (let turn = 0; turn < this.turns(); turn++) {
      const found = slotsInTurn(flat, section.cycle, section.start, turn).findIndex((s) => s.slot === slot);
      if (found < 0) continue;
      this.view.choice.set(turn);
      return this.selected.set(found);
    }
  }

  protected fix(from: number, to: number, text: string) {
    const section = this.section();
    if (section)
      this.open.apply(setScript(section.id, section.script.slice(0, from) + text + section.script.slice(to)));
  }
  protected useCell(script: string, steps: number) {
    const section = this.section();
    if (section) this.open.apply(setCell(section.id, script, steps));
  }
  protected steps(n: string) {
    const section = this.section();
    if (section) this.open.apply(setSteps(section.id, Number(n)));
  }
  protected startAt(at: string) {
    const section = this.section();
    if (section) this.open.apply(setStart(section.id, Number(at)));
  }
  protected toTurn(way: number) {
    this.view.toTurn(way);
  }

  /** Fingers that were worked out are written into the script. */
  protected writeIn() {
    const [section, reading] = [this.open.section(), this.reading()];
    if (section && reading && reading.workedOut.length > 0 && this.open.settled())
      this.open.apply(setScript(section.id, reading.workedScript));
  }
  private toScript() {
    // Just after the place has come its editor is not drawn yet.
    const drawn = this.editor() ? Promise.resolve() : this.drawn.coming();
    this.keys.forField(drawn.then(() => this.editor()?.focus() ?? null));
  }
  /** Moves the selection; past the end of a turn it goes on in the next. */
  private toSlot(way: number) {
    const n = this.slots().length;
    if (n === 0) return;
    const now = this.selected();
    if (now === null) return this.selected.set(way > 0 ? 0 : n - 1);
    const next = now + way;
    if (next >= 0 && next < n) return this.selected.set(next);
    this.toTurn(way);
    this.selected.set(next < 0 ? this.slots().length - 1 : 0);
  }
  private press(key: SlotKey) {
    const section = this.section();
    const slot = this.slots()[this.selected() ?? -1];
    if (section && slot) this.open.apply(pressSlot(section.id, slot.slot, key));
  }
}
