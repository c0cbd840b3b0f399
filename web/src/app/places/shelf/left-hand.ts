import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  BRIDGE_SPACING,
  FINGER_PAIRS,
  type FingerPair,
  type HandProfile,
  type LeftHand,
  leftHandOf,
  LEAST_SPACING,
  millimetres,
  millis,
  MOST_SPACING,
  NUT_SPACING,
  withLeftHand,
} from '@ruffle-wheel/core';
import { measure as measureWords } from '../../words/measure';
import { MatCheckbox } from '@angular/material/checkbox';
import { FIELD } from '../../ui/field';

/** From string 6 to string 1 there are so many rooms between strings. */
const ROOMS = 5;
/** What is to become of a profile. */
export type ProfileChange = (profile: HandProfile) => HandProfile;
type Spacing = 'nutSpacing' | 'bridgeSpacing';

/** What the left hand reaches, holds and needs, and where its guitar's strings lie: every figure can be set. */
@Component({
  imports: [MatCheckbox, FIELD],
  selector: 'app-left-hand',
  templateUrl: './left-hand.html',
  styleUrl: './left-hand.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeftHandMeasures {
  protected readonly words = measureWords;
  readonly profile = input.required<HandProfile>();
  readonly changed = output<ProfileChange>();
  protected readonly left = computed(() => leftHandOf(this.profile()));
  protected readonly bounds = ['ease', 'limit'] as const;
  protected readonly pairs = computed(() =>
    FINGER_PAIRS.map((pair) => ({ pair, name: `${pair[0] ?? ''}–${pair[1] ?? ''}`, ...this.left().reach[pair] })),
  );
  protected readonly summary = computed(() => {
    const { reach, barre, thumbOver } = this.left();
    const { ease, limit } = reach['14'];
    const said = this.words;
    return [
      said.reach(ease, limit),
      said.barreHeld((barre / 1000).toFixed(1)),
      thumbOver ? said.thumbYes : said.thumbNo,
    ].join(' · ');
  });
  protected readonly widths = computed(() => [
    { key: 'nutSpacing' as const, label: this.words.nut, mm: width(this.profile().nutSpacing ?? NUT_SPACING) },
    {
      key: 'bridgeSpacing' as const,
      label: this.words.bridge,
      mm: width(this.profile().bridgeSpacing ?? BRIDGE_SPACING),
    },
  ]);

  private put(change: (left: LeftHand) => Partial<LeftHand>) {
    this.changed.emit((profile) => {
      const left = leftHandOf(profile);
      return withLeftHand(profile, { ...left, ...change(left) });
    });
  }
  protected setReach(pair: FingerPair, which: 'ease' | 'limit', field: HTMLInputElement) {
    const before = this.left().reach[pair];
    const mm = millimetres(bounded(field, before[which], 10, 300));
    const ease = which === 'ease' ? mm : millimetres(Math.min(before.ease, mm));
    const limit = which === 'limit' ? mm : millimetres(Math.max(before.limit, mm));
    this.put((left) => ({ reach: { ...left.reach, [pair]: { ease, limit } } }));
  }
  protected setBarre(field: HTMLInputElement) {
    const barre = millis(1000 * bounded(field, this.left().barre / 1000, 1, 60));
    this.put(() => ({ barre }));
  }
  protected setMove(which: 'start' | 'perBit', field: HTMLInputElement) {
    const ms = millis(bounded(field, this.left().move[which], 0, 500));
    this.put((left) => ({ move: { ...left.move, [which]: ms } }));
  }
  protected setThumb(over: boolean) {
    this.put(() => ({ thumbOver: over }));
  }
  protected setWidth(key: Spacing, field: HTMLInputElement) {
    const before = this.profile()[key] ?? (key === 'nutSpacing' ? NUT_SPACING : BRIDGE_SPACING);
    const mm = bounded(field, width(before), LEAST_SPACING * ROOMS, MOST_SPACING * ROOMS);
    this.changed.emit((profile) => ({ ...profile, [key]: millimetres(mm / ROOMS) }));
  }
}
const width = (spacing: number): number => Math.round(spacing * ROOMS * 10) / 10;
/** What can't be a measure goes back to what stood there; what is out of bounds to the nearest bound. */
function bounded(field: HTMLInputElement, before: number, low: number, high: number): number {
  const n = Number(field.value);
  const value = field.value === '' || !Number.isFinite(n) ? before : Math.min(high, Math.max(low, n));
  field.value = String(value);
  return value;
}
