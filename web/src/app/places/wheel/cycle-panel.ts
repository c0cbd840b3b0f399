import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  type AccentCycle,
  accentsText,
  checkCycle,
  clampBpm,
  cleanName,
  cyclesByName,
  FAMILIES,
  groupsText,
  HIGHEST_BPM,
  LOWEST_BPM,
  placeLabel,
  readAccents,
  readGroups,
  type SaidDataFault,
  setCycle,
  TICKS_PER_COUNT,
} from '@ruffle-wheel/core';
import { Collection, OpenStudy } from '../../study';
import { Notice } from '../../ui/notice';
import { WaysBack } from '../../ui/ways-back';
import { wheel as wheelWords } from '../../words/wheel';
import { MatOptgroup } from '@angular/material/core';
import { SELECT } from '../../ui/select';
import { MatButton } from '@angular/material/button';
import { FIELD } from '../../ui/field';
import { sayDataFaults } from '../../words/said/refusals';
import { sayCycle, sayFamily } from '../../words/said/catalogue';
import { newId } from '../../data/new-id';

interface Draft {
  readonly id: string;
  readonly name: string;
  readonly counts: string;
  readonly labels: string;
  readonly accents: string;
  readonly groups: string;
  readonly tempo: string;
}

/** Slowest and fastest, as shares of the usual tempo, of a cycle that somebody has made. */
const [SLOWEST, FASTEST] = [0.6, 1.4];
/** The usual tempo that is written, with room to both sides; null when it is none. */
function tempoOf(text: string, { tempo }: AccentCycle): AccentCycle['tempo'] | null {
  const usual = Number(text);
  if (!Number.isInteger(usual) || usual < LOWEST_BPM || usual > HIGHEST_BPM) return null;
  if (usual === tempo.usual) return tempo;
  return {
    low: clampBpm(Math.round(usual * SLOWEST)),
    usual: clampBpm(usual),
    high: clampBpm(Math.round(usual * FASTEST)),
  };
}

/** Which cycle the section stands on: by family and name, with its schools; own cycles are made and edited here. */
@Component({
  selector: 'app-cycle-panel',
  imports: [FIELD, MatButton, SELECT, MatOptgroup],
  templateUrl: './cycle-panel.html',
  styleUrl: './cycle-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CyclePanel {
  protected readonly words = wheelWords.cycle;
  protected readonly sayCycle = sayCycle;
  protected readonly sayFamily = sayFamily;
  protected readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  private readonly ways = inject(WaysBack);
  protected readonly current = computed(() => this.open.section()?.cycle ?? null);
  protected readonly isOwn = computed(() => this.collection.ownCycles().some((c) => c.id === this.current()?.id));
  protected readonly families = computed(() =>
    FAMILIES.map((family) => ({ family, names: cyclesByName(this.collection.cycles(), family) })),
  );
  protected readonly schools = computed(() => {
    const now = this.current();
    if (!now) return [];
    const same = this.collection.cycles().filter((c) => c.name === now.name && c.family === now.family);
    return same.map((c) => ({ cycle: c, accents: this.accentLabels(c), here: c.id === now.id }));
  });
  protected readonly accents = computed(() => {
    const now = this.current();
    return now ? this.accentLabels(now) : '';
  });
  protected readonly groups = computed(() => groupsText(this.current()?.groups ?? []));
  protected readonly draft = signal<Draft | null>(null);
  protected readonly read = computed(() => this.readDraft());

  private accentLabels(c: AccentCycle): string {
    return [...c.accents]
      .sort((a, b) => a.at - b.at)
      .map((a) => placeLabel(c, a.at))
      .join('  ');
  }
  protected choose(name: string) {
    const cycle = this.collection.cycles().find((c) => `${c.family}/${c.name}` === name);
    if (cycle) this.take(cycle);
  }
  protected take(cycle: AccentCycle) {
    const section = this.open.section();
    if (section) this.open.apply(setCycle(section.id, cycle));
  }

  protected edit(own: boolean) {
    const c = this.current();
    if (!c) return;
    this.draft.set({
      id: own ? c.id : `own-${newId()}`,
      name: own ? c.name : cleanName(this.words.ownNamed(sayCycle(c).name)),
      counts: String(c.counts),
      labels: c.labels.join(' '),
      accents: accentsText(c.accents),
      groups: groupsText(c.groups),
      tempo: String(c.tempo.usual),
    });
  }
  protected put(part: Partial<Draft>) {
    this.draft.update((d) => (d ? { ...d, ...part } : d));
  }
  /** A new number of counts brings plain labels and one group, from which the player goes on. */
  protected putCounts(text: string) {
    const n = Number(text);
    if (!Number.isInteger(n) || n < 1 || n > 64) return this.put({ counts: text });
    this.put({ counts: text, labels: Array.from({ length: n }, (_, i) => String(i + 1)).join(' '), groups: String(n) });
  }

  private readDraft(): { cycle: AccentCycle | null; faults: readonly SaidDataFault[] } {
    const d = this.draft();
    const base = this.current();
    if (!d || !base) return { cycle: null, faults: [] };
    const accents = readAccents(d.accents);
    const groups = readGroups(d.groups);
    const faults: SaidDataFault[] = [];
    if (!accents) faults.push({ path: 'accents', message: this.words.writeAccents(this.words.accentsHelp) });
    if (!groups) faults.push({ path: 'groups', message: this.words.writeGroups(this.words.groupsHelp) });
    const tempo = tempoOf(d.tempo, base);
    if (!tempo) faults.push({ path: 'tempo', message: this.words.tempoFault });
    const cycle: AccentCycle = {
      id: d.id,
      name: cleanName(d.name),
      family: base.family,
      counts: Number(d.counts),
      labels: d.labels.split(/\s+/).filter(Boolean),
      accents: accents ?? [],
      groups: groups ?? [],
      countNote: base.countNote,
      ...(base.wishedSilent
        ? { wishedSilent: base.wishedSilent.filter((at) => at < Number(d.counts) * TICKS_PER_COUNT) }
        : {}),
      tempo: tempo ?? base.tempo,
      note: base.note?.startsWith(this.words.own) ? base.note : `${this.words.own}.`,
    };
    faults.push(...sayDataFaults(checkCycle(cycle)).filter((f) => !(f.path === 'groups' && !groups)));
    return { cycle: faults.length ? null : cycle, faults };
  }
  protected keep(e: Event) {
    e.preventDefault();
    const { cycle } = this.read();
    if (!cycle) return;
    const before = this.collection.ownCycles().find((c) => c.id === cycle.id);
    this.collection.saveCycle(cycle);
    this.take(cycle);
    this.draft.set(null);
    // The cycle and the section that took it go back together.
    const back = this.open.wayBack();
    this.ways.add(this.words.kept(cycle.name), () => {
      back();
      if (before) this.collection.saveCycle(before);
      else this.collection.deleteCycle(cycle);
    });
  }
  protected remove() {
    const own = this.collection.ownCycles().find((c) => c.id === this.current()?.id);
    if (!own) return;
    const undo = this.collection.deleteCycle(own);
    this.notice.withUndo(`${this.words.removed}: ${own.name}`, undo);
  }
}
