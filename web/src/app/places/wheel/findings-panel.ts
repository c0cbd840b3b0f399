import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { MatExpansionModule } from '@angular/material/expansion';
import { hasUsualFigures, HIGHEST_BPM, limitOf, roomOf, type SaidFinding } from '@ruffle-wheel/core';
import { isInvented } from '../../data/demo';
import { Collection, OpenStudy } from '../../study';
import { wheel as wheelWords } from '../../words/wheel';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { FindingCard, type LeadTo } from './finding-card';
import { sayAll, sayRaise } from '../../words/said/findings';

/** Moves of the left hand in the load. */
const SHOWN_MOVES = 3;
const SHOWN_JOINTS = 5;
/** Findings that are open at first; the rest is folded by matter. */
const OPEN_AT_FIRST = 3;

export interface Lead {
  readonly to: LeadTo;
  readonly slot: number | undefined;
}
type Matter = keyof typeof wheelWords.wheel.matters;
const ABOUT: Record<SaidFinding['code'], { readonly matter: Matter | 'texts'; readonly leads: readonly LeadTo[] }> = {
  ceiling: { matter: 'hand', leads: ['slot'] },
  pendulum: { matter: 'hand', leads: ['slot'] },
  plants: { matter: 'hand', leads: [] },
  'comes round': { matter: 'round', leads: [] },
  'accents met': { matter: 'round', leads: ['accents'] },
  'accents weak': { matter: 'round', leads: ['accents', 'fit'] },
  'accents carried': { matter: 'round', leads: ['accents', 'fit'] },
  'accents missed': { matter: 'round', leads: ['accents', 'fit'] },
  'another start': { matter: 'round', leads: ['accents'] },
  'script unread': { matter: 'texts', leads: [] },
  'chart unread': { matter: 'texts', leads: [] },
  'out of reach': { matter: 'chords', leads: ['shape'] },
  'change late': { matter: 'chords', leads: ['changes'] },
  'finger away': { matter: 'chords', leads: ['changes'] },
  block: { matter: 'chords', leads: ['changes'] },
  barre: { matter: 'chords', leads: ['changes'] },
  'held over': { matter: 'chords', leads: ['changes'] },
  'flicks plucked': { matter: 'hand', leads: ['slot'] },
  'no node': { matter: 'hand', leads: ['slot'] },
  'what sounds': { matter: 'round', leads: [] },
  'thumb anchor': { matter: 'hand', leads: ['slot'] },
  'finger repeated': { matter: 'hand', leads: ['slot'] },
  'rest stroke lands': { matter: 'hand', leads: ['slot'] },
  'plectrum ways': { matter: 'hand', leads: ['slot'] },
  'open rings on': { matter: 'chords', leads: ['slot', 'shape'] },
  'string unstruck': { matter: 'chords', leads: ['shape'] },
  'string muted': { matter: 'chords', leads: ['shape'] },
  'tone unheard': { matter: 'chords', leads: ['shape'] },
  'name not borne out': { matter: 'chords', leads: ['shape'] },
};
const MATTERS: readonly Matter[] = ['hand', 'round', 'chords'];
/** What the section asks of the hand, in sentences, and each finger's load against the player's own limit. */
@Component({
  selector: 'app-findings-panel',
  imports: [AnswerButtons, FindingCard, MatExpansionModule],
  templateUrl: './findings-panel.html',
  styleUrl: './findings-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsPanel {
  protected readonly words = wheelWords.wheel;
  protected readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  readonly lead = output<Lead>();
  /** In their order; what can't be read is said beside its text. */
  private readonly findings = computed(() =>
    sayAll(this.open.reading()?.findings ?? [])
      .filter((f) => ABOUT[f.code].matter !== 'texts')
      .map((f) => ({ ...f, leads: this.leads(f) })),
  );
  protected readonly first = computed(() => this.findings().slice(0, OPEN_AT_FIRST));
  protected readonly matters = computed(() =>
    MATTERS.flatMap((name) => {
      const findings = this.findings()
        .slice(OPEN_AT_FIRST)
        .filter((f) => ABOUT[f.code].matter === name);
      return findings.length ? [{ name, findings, titles: findings.map((f) => f.title).join(' · ') }] : [];
    }),
  );
  /** What the player has unfolded stays so while the script is written anew. */
  protected readonly unfolded = signal<ReadonlySet<string>>(new Set());
  protected fold(name: string, open: boolean) {
    this.unfolded.update((now) => new Set(open ? [...now, name] : [...now].filter((n) => n !== name)));
  }
  private leads(f: SaidFinding): readonly LeadTo[] {
    const leads = ABOUT[f.code].leads.filter((l) => l !== 'slot' || f.slot !== undefined);
    return f.code === 'ceiling' && f.tone === 'late' ? [...leads, 'ladder'] : leads;
  }
  /** The finger nearest to its limit, for when the bars are folded. */
  protected readonly heaviest = computed(() => {
    const [most] = [...this.load()].sort((a, b) => b.percent - a.percent);
    return most ? `${most.finger} ${most.percent} %` : '';
  });
  /** Whose hand all this is measured against. */
  protected readonly whose = computed(() => {
    const hand = this.collection.profile();
    if (isInvented(hand)) return this.words.ofInvented(hand.name);
    return hasUsualFigures(hand) ? this.words.ofUsual : this.words.ofHand(hand.name);
  });
  protected readonly tempo = computed(() => this.open.section()?.bpm ?? 0);
  /** The tightest joints between two fingers, each against what the player needs for it. */
  protected readonly joints = computed(() =>
    (this.open.reading()?.load.joints ?? []).slice(0, SHOWN_JOINTS).map((j) => ({
      name: `${j.from} → ${j.to}`,
      percent: Math.round(j.share * 100),
      width: Math.min(100, j.share * 100),
      over: roomOf(j.share) === 'late',
      near: roomOf(j.share) !== 'in time',
      has: Math.floor(j.leastMs),
      needs: Math.ceil(j.neededMs),
    })),
  );
  /** The left hand's tightest moves, each against the time that the music leaves it. */
  protected readonly leftMoves = computed(() =>
    (this.open.reading()?.moves ?? [])
      .flatMap((m) => (m.sequential && m.sequential.neededMs > 0 ? [{ m, ...m.sequential }] : []))
      .map(({ m, neededMs, thereMs }) => ({ m, neededMs, thereMs, share: neededMs / Math.max(1, thereMs) }))
      .sort((a, b) => b.share - a.share)
      .slice(0, SHOWN_MOVES)
      .map(({ m, share, thereMs, neededMs }) => ({
        name: `${m.from.name} → ${m.to.name}`,
        percent: Math.round(share * 100),
        width: Math.min(100, share * 100),
        over: roomOf(share) === 'late',
        near: roomOf(share) !== 'in time',
        has: thereMs,
        needs: neededMs,
      })),
  );
  /** Which hand is the limit. */
  protected readonly limit = computed(() => {
    const reading = this.open.reading();
    const limit = reading && limitOf(reading);
    return limit ? this.words.limit[limit.hand](Math.min(HIGHEST_BPM, Math.floor(limit.ceiling))) : '';
  });
  /** Other ways to play what is written that would let it go faster; they stay while one is tried out. */
  protected readonly raises = computed(() => {
    const reading = this.open.writtenReading();
    const start = this.open.written()?.start ?? 0;
    return (reading?.raises ?? []).map((r) => ({
      key: `raise ${r.script}`,
      what: sayRaise(r),
      ceiling: r.ceiling > HIGHEST_BPM ? `${HIGHEST_BPM}+` : String(Math.floor(r.ceiling)),
      shown: { script: r.script, stepsPerCount: r.stepsPerCount, start },
    }));
  });
  /** From the thinnest finger on, the plectrum's after them. */
  private readonly loads = computed(() => {
    const load = this.open.reading()?.load;
    if (!load) return [];
    const fingers = [...load.fingers].reverse().map((f) => ({ ...f, name: f.finger }));
    return [...fingers, ...(load.plectrum ? [{ ...load.plectrum, name: 'P' }] : [])];
  });
  protected readonly load = computed(() =>
    this.loads().map((f) => ({
      finger: f.name,
      percent: Math.round(f.share * 100),
      width: Math.min(100, f.share * 100),
      over: roomOf(f.share) === 'late',
      near: roomOf(f.share) !== 'in time',
      rate: f.strokesPerSecond.toFixed(1),
    })),
  );
}
