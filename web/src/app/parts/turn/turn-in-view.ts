import { computed, inject, Injectable, signal } from '@angular/core';
import {
  cycleLength,
  harmonyTurns,
  heldInTurn,
  type LaidStroke,
  lcm,
  slotsInTurn,
  stepTicks,
  strokesInTurn,
  syllableText,
  ticks,
  type TurnSlot,
} from '@ruffle-wheel/core';
import { heardPlace, Transport } from '../../sound/transport';
import { OpenStudy } from '../../study';
import type { LeftStretch, SaidWord } from '../../ui/strip/strip';
import { wheel as wheelWords } from '../../words/wheel';

/** The turn of the open section that is looked at: the one heard while playing, else the one chosen. Each place has its own. */
@Injectable()
export class TurnInView {
  private readonly open = inject(OpenStudy);
  private readonly transport = inject(Transport);
  private readonly calm = matchMedia('(prefers-reduced-motion: reduce)').matches;
  readonly choice = signal(0);

  /** Turns until pattern and chart come round together, as far as they are written out. */
  readonly turns = computed(() => {
    const [reading, section] = [this.open.reading(), this.open.section()];
    if (!reading || !section) return 1;
    return Math.max(reading.layout.turns, Math.ceil(reading.score.length / cycleLength(section.cycle)));
  });
  readonly allTurns = computed(() => {
    const [reading, section] = [this.open.reading(), this.open.section()];
    return reading && section ? Math.max(this.turns(), lcm(reading.layout.realign.cycles, harmonyTurns(section))) : 1;
  });
  readonly heardAt = computed(() => {
    const section = this.open.section();
    return section ? heardPlace(this.transport.heard(), cycleLength(section.cycle)) : null;
  });
  readonly turn = computed(() => {
    const heard = this.heardAt();
    if (heard && !heard.countingIn) return heard.turn % this.turns();
    return Math.min(this.choice(), this.turns() - 1);
  });
  /** The turn among those of the pattern alone: a chart may go on longer. */
  readonly patternTurn = computed(() => this.turn() % (this.open.reading()?.layout.turns ?? 1));

  readonly strokes = computed((): readonly LaidStroke[] => {
    const [reading, section] = [this.open.reading(), this.open.section()];
    return reading && section ? strokesInTurn(reading.flat, section.cycle, section.start, this.patternTurn()) : [];
  });
  readonly slots = computed((): readonly TurnSlot[] => {
    const section = this.open.section();
    const flat = this.open.reading()?.flat;
    if (!section) return [];
    if (flat && flat.slots.length > 0) return slotsInTurn(flat, section.cycle, section.start, this.patternTurn());
    const step = stepTicks(section.stepsPerCount) ?? 1;
    const n = Math.floor(cycleLength(section.cycle) / step);
    return Array.from({ length: n }, (_, slot) => ({ slot, inTurn: ticks(slot * step), duration: ticks(step) }));
  });
  readonly held = computed(() => {
    const section = this.open.section();
    return section ? heldInTurn(section, this.open.shapes(), this.turn()) : [];
  });
  readonly workedOut = computed((): ReadonlySet<number> => new Set(this.open.reading()?.workedOut ?? []));
  /** What the left hand holds in this turn, from the score; nothing where no chord is and no finger goes down. */
  readonly leftHand = computed((): LeftStretch[] => {
    const [section, reading] = [this.open.section(), this.open.reading()];
    if (!section?.chart.trim() || !reading) return [];
    const length = cycleLength(section.cycle);
    const begin = this.turn() * length;
    let chord = -1;
    return reading.pressed.flatMap((s): LeftStretch[] => {
      const [from, to] = [Math.max(s.at, begin) - begin, Math.min(s.until, begin + length) - begin];
      if (from >= to) return [];
      const name = s.chord === chord ? '' : reading.score.chords[s.chord]?.name || wheelWords.wheel.openStrings;
      chord = s.chord;
      return [{ from, to, pressed: s.pressed, name }];
    });
  });
  /** What is sung or said under its counts. */
  readonly said = computed((): SaidWord[] => {
    const [section, score] = [this.open.section(), this.open.reading()?.score];
    if (!section || !score) return [];
    const length = cycleLength(section.cycle);
    const begin = this.turn() * length;
    return score.words.flatMap((w) =>
      w.at >= begin && w.at < begin + length ? [{ at: w.at - begin, text: syllableText(w) }] : [],
    );
  });
  /** Share of the turn that is heard; by whole slots when the player asked for less motion. */
  readonly heard = computed(() => {
    const section = this.open.section();
    const heard = this.heardAt();
    if (!section || !heard) return null;
    const length = cycleLength(section.cycle);
    if (!this.calm) return heard.inTurn / length;
    const step = stepTicks(section.stepsPerCount) ?? 1;
    return (Math.floor(heard.inTurn / step) * step) / length;
  });

  toTurn(way: number) {
    const n = this.turns();
    this.choice.set((this.turn() + way + n) % n);
  }
}
