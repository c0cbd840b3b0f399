import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import {
  FINGERS,
  type Finger,
  type HandProfile,
  type LeftHand,
  LITTLE_FINGER_SPELLINGS,
  type LittleFingerSpelling,
  millimetres,
  millis,
  withLeftHand,
  withoutLeftHand,
} from '@ruffle-wheel/core';
import { Collection } from '../../study';
import { Notice } from '../../ui/notice';
import { words } from '../../words/en';
import { LeftHandMeasures, type ProfileChange } from './left-hand';
import { MeasureHand } from './measure-hand';

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
  imports: [LeftHandMeasures, MeasureHand],
  templateUrl: './hands.html',
  styleUrl: './hands.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Hands {
  protected readonly words = words.shelf;
  protected readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  protected readonly spellings = LITTLE_FINGER_SPELLINGS;
  protected readonly profile = this.collection.profile;
  protected readonly fingers = computed(() =>
    FINGERS.map((finger) => ({ finger, ms: this.profile().returnMs[finger] })),
  );
  protected readonly measures = computed((): readonly { key: Measure; label: string }[] => [
    { key: 'jointMs', label: words.shelf.joint },
    { key: 'thumbJointMs', label: words.shelf.thumbJoint },
    { key: 'scaleLength', label: words.shelf.scale },
    // Once measured, the span is that of fingers 1 and 4 in the table.
    ...(this.profile().left ? [] : [{ key: 'span' as const, label: words.shelf.span }]),
  ]);

  /** The guided set-up is open. */
  readonly measuring = signal(false);
  private readonly guide = viewChild(MeasureHand);
  /** While a hand is measured its letters answer, wherever the focus is. */
  pressed(e: KeyboardEvent): boolean {
    return this.guide()?.pressed(e) ?? false;
  }

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

  protected async keepMeasures(left: LeftHand) {
    this.measuring.set(false);
    await this.withUndo((p) => withLeftHand(p, left), words.measure.kept);
  }
  protected async forget() {
    await this.withUndo(withoutLeftHand, words.measure.forgotten);
  }
  private async withUndo(change: ProfileChange, said: string) {
    const before = this.profile();
    await this.put(change);
    this.notice.withUndo(said, () => this.collection.saveProfile(before));
  }

  /** What can't be a measure of a hand goes back to what stood there; what is out of bounds to the nearest bound. */
  private bounded(key: Measure | 'returnMs', field: HTMLInputElement, before: number): number {
    const n = Number(field.value);
    const [low, high] = BOUNDS[key];
    const value = field.value === '' || !Number.isFinite(n) ? before : Math.min(high, Math.max(low, Math.round(n)));
    field.value = String(value);
    return value;
  }
  private save(change: Partial<HandProfile>): Promise<void> {
    return this.put((p) => ({ ...p, ...change }));
  }
  /** Changes follow one another, each made on what the one before has left. */
  protected put(change: ProfileChange): Promise<void> {
    this.saving = this.saving.then(async () => {
      const profile = change(this.profile());
      await this.collection.saveProfile(profile);
      this.collection.set({ profileId: profile.id });
    });
    return this.saving;
  }
  private saving = Promise.resolve();
}
