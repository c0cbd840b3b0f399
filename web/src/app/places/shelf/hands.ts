import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  FINGERS,
  type Finger,
  type HandProfile,
  LITTLE_FINGER_SPELLINGS,
  type LittleFingerSpelling,
  millimetres,
  millis,
} from '@ruffle-wheel/core';
import { Collection } from '../../study';
import { words } from '../../words/en';

type Measure = 'jointMs' | 'thumbJointMs' | 'scaleLength' | 'span';
const BOUNDS: Record<Measure | 'returnMs', readonly [number, number]> = {
  returnMs: [20, 2_000],
  jointMs: [20, 2_000],
  thumbJointMs: [20, 2_000],
  scaleLength: [400, 800],
  span: [40, 250],
};

/** Whose hands the figures are measured against, and the cautions. */
@Component({
  selector: 'app-hands',
  templateUrl: './hands.html',
  styleUrl: './hands.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Hands {
  protected readonly words = words.shelf;
  protected readonly collection = inject(Collection);
  protected readonly spellings = LITTLE_FINGER_SPELLINGS;
  protected readonly profile = this.collection.profile;
  protected readonly fingers = computed(() =>
    FINGERS.map((finger) => ({ finger, ms: this.profile().returnMs[finger] })),
  );
  protected readonly measures: readonly { key: Measure; label: string }[] = [
    { key: 'jointMs', label: words.shelf.joint },
    { key: 'thumbJointMs', label: words.shelf.thumbJoint },
    { key: 'scaleLength', label: words.shelf.scale },
    { key: 'span', label: words.shelf.span },
  ];

  protected choose(id: string) {
    this.collection.set({ profileId: id });
  }
  protected async newHand() {
    const profile: HandProfile = {
      ...this.profile(),
      id: crypto.randomUUID(),
      name: this.words.newHand,
      cautionsRead: false,
    };
    await this.collection.saveProfile(profile);
    this.choose(profile.id);
  }
  protected async rename(field: HTMLInputElement) {
    const name = field.value.trim().slice(0, 60);
    field.value = name || this.profile().name;
    if (name) await this.save({ name });
  }
  protected async setReturn(finger: Finger, field: HTMLInputElement) {
    const ms = this.bounded('returnMs', field, this.profile().returnMs[finger]);
    await this.save({ returnMs: { ...this.profile().returnMs, [finger]: millis(ms) } });
  }
  protected async setMeasure(key: Measure, field: HTMLInputElement) {
    const value = this.bounded(key, field, this.profile()[key]);
    await this.save({ [key]: key === 'span' || key === 'scaleLength' ? millimetres(value) : millis(value) });
  }
  protected async spell(little: string) {
    await this.save({ littleFinger: little as LittleFingerSpelling });
  }
  protected async read(cautionsRead: boolean) {
    await this.save({ cautionsRead });
  }

  /** What can't be a measure of a hand goes back to what stood there; what is out of bounds to the nearest bound. */
  private bounded(key: Measure | 'returnMs', field: HTMLInputElement, before: number): number {
    const n = Number(field.value);
    const [low, high] = BOUNDS[key];
    const value = field.value === '' || !Number.isFinite(n) ? before : Math.min(high, Math.max(low, Math.round(n)));
    field.value = String(value);
    return value;
  }
  private async save(change: Partial<HandProfile>) {
    const profile = { ...this.profile(), ...change };
    await this.collection.saveProfile(profile);
    this.collection.set({ profileId: profile.id });
  }
}
