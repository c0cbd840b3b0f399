import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import {
  cleanName,
  EVERY_CHOICE,
  FINGERS,
  hasUsualFigures,
  type Finger,
  HAND_CHOICES,
  type HandChoice,
  type HandHabits,
  HABITS_TAUGHT,
  type HandProfile,
  type LeftHand,
  LITTLE_FINGER_SPELLINGS,
  LONGEST_HAND_NOTES,
  type LittleFingerSpelling,
  millimetres,
  millis,
  plectrumTime,
  USUAL_HABITS,
  withLeftHand,
  withoutLeftHand,
} from '@ruffle-wheel/core';
import { Collection } from '../../study';
import { Notice } from '../../ui/notice';
import { WaysBack } from '../../ui/ways-back';
import { measure as measureWords } from '../../words/measure';
import { sayHandChoice, sayHandWay } from '../../words/said/hands';
import { shelf as shelfWords } from '../../words/shelf';
import { LeftHandMeasures, type ProfileChange } from './left-hand';
import { MeasureHand } from './measure-hand';
import { TapHand } from './tap-hand';
import type { TappedFigures } from './tapping';
import { isInvented } from '../../data/demo';
import { SELECT } from '../../ui/select';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { FIELD } from '../../ui/field';
import { newId } from '../../data/new-id';

type Measure = 'jointMs' | 'thumbJointMs' | 'plectrumMs' | 'scaleLength' | 'span';
const BOUNDS: Record<Measure | 'returnMs', readonly [number, number]> = {
  returnMs: [20, 2_000],
  jointMs: [20, 2_000],
  thumbJointMs: [20, 2_000],
  plectrumMs: [20, 2_000],
  scaleLength: [400, 800],
  span: [40, 250],
};

const HABITS: readonly (keyof HandHabits)[] = ['pair', 'tremolo', 'tremoloOfFour'];

/** Whose hands the figures are measured against, and the cautions. */
@Component({
  selector: 'app-hands',
  imports: [MatCheckbox, FIELD, MatButton, SELECT, LeftHandMeasures, MeasureHand, TapHand],
  templateUrl: './hands.html',
  styleUrl: './hands.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Hands {
  protected readonly words = shelfWords;
  protected readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  private readonly ways = inject(WaysBack);
  protected readonly spellings = LITTLE_FINGER_SPELLINGS;
  protected readonly profile = this.collection.profile;
  protected readonly fingers = computed(() =>
    FINGERS.map((finger) => ({ finger, ms: this.profile().returnMs[finger] })),
  );
  protected readonly measures = computed((): readonly { key: Measure; label: string }[] => [
    { key: 'jointMs', label: shelfWords.joint },
    { key: 'thumbJointMs', label: shelfWords.thumbJoint },
    { key: 'plectrumMs', label: shelfWords.plectrumReturn },
    { key: 'scaleLength', label: shelfWords.scale },
    // Once measured, the span is that of fingers 1 and 4 in the table.
    ...(this.profile().left ? [] : [{ key: 'span' as const, label: shelfWords.span }]),
  ]);

  /** Orders that this hand takes where it is fingered as it is taught. */
  protected readonly habits = computed(() => {
    const own = this.profile().habits ?? USUAL_HABITS;
    const label = shelfWords.habits;
    return HABITS.map((key) => {
      const now = own[key].join(' ');
      const orders = HABITS_TAUGHT[key].map((o) => o.join(' '));
      return { key, label: label[key], now, orders: orders.includes(now) ? orders : [now, ...orders] };
    });
  });
  protected takeHabit(key: keyof HandHabits, order: string) {
    const own = this.profile().habits ?? USUAL_HABITS;
    const taken = HABITS_TAUGHT[key].find((o) => o.join(' ') === order);
    if (taken) this.save({ habits: { ...own, [key]: taken } });
  }

  /** What schools do not agree on, as this hand has settled it. */
  protected readonly choices = computed(() => {
    const own: Partial<Record<HandChoice, string>> = this.profile().choices ?? {};
    return EVERY_CHOICE.map((choice) => ({
      choice,
      label: sayHandChoice(choice),
      ways: HAND_CHOICES[choice].map((way) => ({ way, name: sayHandWay(choice, way) })),
      now: own[choice] ?? '',
    }));
  });
  protected settle(choice: HandChoice, way: string) {
    const taken = HAND_CHOICES[choice].find((w) => w === way);
    const others = Object.fromEntries(Object.entries(this.profile().choices ?? {}).filter(([c]) => c !== choice));
    this.save({ choices: taken ? { ...others, [choice]: taken } : others });
  }
  protected readonly longestNotes = LONGEST_HAND_NOTES;
  protected note(notes: string) {
    this.save({ notes });
  }

  /** The guided set-up is open. */
  readonly measuring = signal(false);
  /** The right hand is tapped. */
  readonly tapping = signal(false);
  private readonly guide = viewChild(MeasureHand);
  private readonly tapGuide = viewChild(TapHand);
  /** While a hand is measured its letters answer, wherever the focus is. */
  pressed(e: KeyboardEvent): boolean {
    return (this.guide() ?? this.tapGuide())?.pressed(e) ?? false;
  }

  protected choose(id: string) {
    this.collection.set({ profileId: id });
  }
  protected newHand() {
    const profile: HandProfile = {
      ...this.profile(),
      id: newId(),
      name: this.words.newHand,
      cautionsRead: false,
    };
    const before = this.profile().id;
    this.collection.saveProfile(profile);
    this.choose(profile.id);
    this.ways.add(this.words.handMade, () => {
      this.collection.deleteProfile(profile);
      this.choose(before);
    });
  }
  protected rename(field: HTMLInputElement) {
    const name = cleanName(field.value);
    field.value = name || this.profile().name;
    if (name) this.save({ name });
  }
  protected setReturn(finger: Finger, field: HTMLInputElement) {
    const ms = this.bounded('returnMs', field, this.profile().returnMs[finger]);
    this.save({ returnMs: { ...this.profile().returnMs, [finger]: millis(ms) } });
  }
  protected setMeasure(key: Measure, field: HTMLInputElement) {
    const value = this.bounded(key, field, this.measure(key));
    this.save({ [key]: key === 'span' || key === 'scaleLength' ? millimetres(value) : millis(value) });
  }
  /** A figure of this hand; for a plectrum the usual one until it has its own. */
  protected measure(key: Measure): number {
    return key === 'plectrumMs' ? plectrumTime(this.profile(), false) : this.profile()[key];
  }
  protected spell(little: string) {
    this.save({ littleFinger: little as LittleFingerSpelling });
  }
  protected read(cautionsRead: boolean) {
    this.save({ cautionsRead });
  }

  protected keepMeasures(left: LeftHand) {
    this.measuring.set(false);
    this.withUndo((p) => withLeftHand(p, left), measureWords.kept);
  }
  protected keepTapped(figures: TappedFigures) {
    this.tapping.set(false);
    this.withUndo((p) => ({ ...p, ...figures }), measureWords.tapping.kept);
  }
  /** Whose figures these are, where they are not the player's own. */
  protected readonly whose = computed(() => {
    const profile = this.profile();
    if (isInvented(profile)) return this.words.inventedHand;
    return hasUsualFigures(profile) ? this.words.usualFigures : '';
  });
  protected forget() {
    this.withUndo(withoutLeftHand, measureWords.forgotten);
  }
  /** What was measured is the player's own: an invented hand stays as it is, and one's own comes beside it. */
  private withUndo(change: ProfileChange, said: string) {
    const before = this.profile();
    const own = isInvented(before) ? { ...before, id: newId(), name: this.words.myHand, cautionsRead: false } : before;
    this.keep(change(own));
    this.notice.withUndo(said, () => {
      if (own === before) this.collection.saveProfile(before);
      else this.collection.deleteProfile(own);
      this.collection.set({ profileId: before.id });
    });
  }

  /** What can't be a measure of a hand goes back to what stood there; what is out of bounds to the nearest bound. */
  private bounded(key: Measure | 'returnMs', field: HTMLInputElement, before: number): number {
    const n = Number(field.value);
    const [low, high] = BOUNDS[key];
    const value = field.value === '' || !Number.isFinite(n) ? before : Math.min(high, Math.max(low, Math.round(n)));
    field.value = String(value);
    return value;
  }
  private save(change: Partial<HandProfile>) {
    this.put((p) => ({ ...p, ...change }));
  }
  /** Taken back like everything else; what is said of it is said then. */
  protected put(change: ProfileChange) {
    const before = this.profile();
    const kept = this.collection.profiles().some((p) => p.id === before.id);
    this.keep(change(before));
    this.ways.add(this.words.handChanged(before.name), () =>
      kept ? this.collection.saveProfile(before) : this.collection.deleteProfile(before),
    );
  }
  private keep(profile: HandProfile) {
    this.collection.saveProfile(profile);
    this.collection.set({ profileId: profile.id });
  }
  protected remove() {
    const profile = this.profile();
    this.notice.withUndo(`${this.words.handDeleted}: ${profile.name}`, this.collection.deleteProfile(profile));
  }
}
