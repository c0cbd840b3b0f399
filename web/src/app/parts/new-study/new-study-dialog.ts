import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import {
  type AccentCycle,
  countInPlan,
  DEFAULT_PROFILE,
  FAMILIES,
  freeName,
  type HandProfile,
  makeStudy,
  placeLabel,
  setCell,
  type StartingPoint,
} from '@ruffle-wheel/core';
import { isInvented } from '../../data/demo';
import { Compute } from '../../compute/compute';
import { StartingPoints } from '../../compute/starting-points';
import { Transport } from '../../sound/transport';
import { Collection, OpenStudy } from '../../study';
import { ChoiceList, type ChoiceGroup } from '../../ui/choice-list';
import { WaysBack } from '../../ui/ways-back';
import { shell as words } from '../../words/shell';
import type { Answered } from './answered';
import { sayWayToBegin } from '../../words/said/schools';
import { sayCycle, sayFamily } from '../../words/said/catalogue';
import { newId } from '../../data/new-id';

/** Begins with nothing. */
const EMPTY = 'empty';
/** The player's own hand before it is kept. */
const MINE = 'mine';

/** Cycle, hand and a way to begin: three choices, each by keys, and a study that sounds. */
@Component({
  selector: 'app-new-study-dialog',
  imports: [MatDialogModule, MatButtonModule, MatSlideToggleModule, ChoiceList],
  templateUrl: './new-study-dialog.html',
  styleUrl: './new-study-dialog.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewStudyDialog {
  protected readonly words = words.newStudy;
  protected readonly sayCycle = sayCycle;
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  private readonly compute = inject(Compute);
  private readonly transport = inject(Transport);
  private readonly ways = inject(WaysBack);
  private readonly dialog = inject<MatDialogRef<NewStudyDialog, boolean>>(MatDialogRef);

  protected readonly cycleId = signal(this.open.section()?.cycle.id ?? 'solea');
  protected readonly handId = signal(
    this.collection.profiles().some((p) => p.id === this.collection.profile().id && !isInvented(p))
      ? this.collection.profile().id
      : (this.collection.profiles().find((p) => !isInvented(p))?.id ?? MINE),
  );
  protected readonly startId = signal('0');
  /** What is chosen is heard. */
  protected readonly heard = signal(true);
  private readonly cycleList = viewChild.required<ChoiceList>('cycles');

  protected readonly cycle = computed(
    (): AccentCycle =>
      this.collection.cycles().find((c) => c.id === this.cycleId()) ?? (this.collection.cycles()[0] as AccentCycle),
  );
  protected readonly accents = computed(() =>
    [...this.cycle().accents]
      .sort((a, b) => a.at - b.at)
      .map((a) => placeLabel(this.cycle(), a.at))
      .join('  '),
  );
  /** The player's own hands first; before there is one, it is there to be chosen, with usual figures. */
  private readonly hands = computed((): readonly HandProfile[] => {
    const kept = this.collection.profiles();
    const own = kept.filter((p) => !isInvented(p));
    return [
      ...(own.length ? own : [{ ...DEFAULT_PROFILE, id: MINE, name: this.words.myHand }]),
      ...kept.filter(isInvented),
    ];
  });
  private readonly hand = computed(() => this.hands().find((p) => p.id === this.handId()) ?? this.collection.profile());
  protected readonly cycleGroups = computed((): ChoiceGroup[] =>
    FAMILIES.map((family) => ({
      name: sayFamily(family),
      choices: this.collection
        .cycles()
        .filter((c) => c.family === family)
        .map((c) => ({ id: c.id, name: sayCycle(c).name, detail: sayCycle(c).school })),
    })),
  );
  protected readonly handGroups = computed((): ChoiceGroup[] => [
    { name: '', choices: this.hands().map((p) => this.handChoice(p)) },
  ]);
  private handChoice(p: HandProfile) {
    if (p.id === MINE) return { id: p.id, name: p.name, detail: this.words.notMeasured };
    return { id: p.id, name: p.name, own: true, detail: isInvented(p) ? this.words.invented : '' };
  }
  private readonly startingPoints = inject(StartingPoints);
  private readonly points = computed(() => this.startingPoints.of(this.cycle(), this.hand()));
  /** Empty until they are worked out: nobody who goes on fast begins with nothing unasked. */
  protected readonly startGroups = computed((): ChoiceGroup[] => {
    const points = this.points().map((p, n) => ({ id: String(n), ...sayWayToBegin(p) }));
    const nothing = { id: EMPTY, name: this.words.empty, note: this.words.emptyNote };
    return points.length ? [{ name: '', choices: [...points, nothing] }] : [];
  });

  constructor() {
    afterNextRender(() => this.cycleList().focus());
    this.dialog.beforeClosed().subscribe(() => void this.transport.lend(null));
  }

  protected chooseCycle(id: string) {
    this.cycleId.set(id);
    this.startId.set('0');
    // The claps alone say what a cycle is.
    this.sound(() => Promise.resolve(countInPlan(this.cycle())));
  }
  protected chooseStart(id: string) {
    this.startId.set(id);
    const { sections, instrument } = this.study(this.points());
    const [section] = sections;
    if (section) this.sound(() => this.compute.planOf({ section, shapes: [], ...instrument, profile: this.hand() }));
  }
  protected hear(on: boolean) {
    this.heard.set(on);
    if (!on) void this.transport.lend(null);
  }
  private asked = 0;
  private sound(make: () => Promise<Parameters<Transport['lend']>[0]>) {
    if (!untracked(this.heard)) return;
    const asked = ++this.asked;
    void make().then((plan) => {
      if (asked === this.asked && this.heard()) void this.transport.lend(plan, this.cycle().tempo.usual);
    });
  }

  private study(points: readonly StartingPoint[]) {
    const names = this.collection.studies().map((r) => r.study.name);
    const name = this.cycle().name;
    const study = makeStudy(newId(), names.includes(name) ? freeName(name, names) : name, this.cycle());
    const [section] = study.sections;
    const point = points[Number(this.startId())];
    return section && point ? setCell(section.id, point.script, point.stepsPerCount)(study) : study;
  }
  /** The hand that was chosen; the player's own comes with its first study. */
  private handMade(): HandProfile {
    const hand = this.hand();
    if (hand.id !== MINE) return hand;
    const mine = { ...hand, id: newId() };
    this.collection.saveProfile(mine);
    return mine;
  }
  private readonly answered = inject<Answered | null>(MAT_DIALOG_DATA, { optional: true });
  protected async make() {
    this.answered?.answered();
    const wanted = this.startId() !== EMPTY && this.points().length === 0;
    const none: readonly StartingPoint[] = [];
    const late = wanted ? await this.compute.startingPoints(this.cycle(), this.hand()).catch(() => none) : none;
    const study = this.study(wanted ? late : this.points());
    const before = { study: this.open.study()?.id ?? '', profileId: this.collection.settings().profileId };
    this.collection.set({ profileId: this.handMade().id });
    this.collection.addStudy(study);
    this.ways.add(study.name, () => {
      this.collection.deleteStudy(study.id);
      this.collection.set({ profileId: before.profileId });
      const there = this.collection.row(before.study) ?? this.collection.studies()[0];
      if (there) this.open.open(there);
      else this.open.close();
    });
    const row = this.collection.row(study.id);
    if (row) this.open.open(row);
    this.dialog.close(true);
  }
}
