import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import {
  type AccentCycle,
  cycleLength,
  type FormSigns,
  isDead,
  type NotatedBar,
  pitchName,
  placeLabel,
  STRINGS,
  syllableText,
  ticks,
  TICKS_PER_COUNT,
} from '@ruffle-wheel/core';
import { SignsBeside } from '../signs-beside';
import type { Edges } from './draw-system';
import { fitted } from './fitted';
import { inTurn } from './in-turn';
import { onStrings, stitchOf } from './stop-look';
import { type Drawn, layoutOf, LEAST_SCALE, type PageView, PLAIN_VIEW, stringY, unitsFor, xOf } from './system-layout';
import { drawings } from '../../words/drawings';
import { sayBar, saySigns } from '../../words/said/page';

/** Width of a letter about: of a chord's name, its frets, a word. */
const CHORD_LETTER = 9;
const FRET_LETTER = 6;
const WORD_LETTER = 7.5;
/** From the edges of the page, in px, where the cursor makes it scroll. */
const MARGIN = 30;

/** Whether a bar begins here, and whether it ends here: one may be broken over systems. */
const isFirst = ({ part }: NotatedBar): boolean => !part || part[0] === 0;
const isLast = ({ part }: NotatedBar): boolean => !part || part[0] === part[1] - 1;

/** From a stitch to the signs beside it. */
const SIGNS_BELOW = 16;

/** One or two bars: chords and counts with their accents above, staff and tablature with both hands' fingers. */
@Component({
  selector: 'app-stave-system',
  imports: [SignsBeside],
  templateUrl: './stave-system.html',
  styleUrl: './stave-system.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StaveSystem {
  readonly bars = input.required<readonly NotatedBar[]>();
  readonly cycle = input.required<AccentCycle>();
  /** Width there is, in units of the drawing. */
  readonly width = input.required<number>();
  /** The stroke that the cursor stands on, from the beginning of the score. */
  readonly here = input<number | null>(null);
  /** The string that the cursor stands on. */
  readonly string = input<number | null>(null);
  /** Bars that are chosen, first and last. */
  readonly range = input<readonly [number, number] | null>(null);
  /** Signs at the edges of the section, and its bars. */
  readonly signs = input<{ readonly form: FormSigns; readonly of: number } | null>(null);
  /** What of it is shown. */
  readonly view = input<PageView>(PLAIN_VIEW);
  /** Words stand under the counts of its section: there is a line for them. */
  readonly worded = input(false);
  readonly chosen = output<number>();
  /** Another one only where a sign is another. */
  private readonly edges = computed(
    (): readonly Edges[] => {
      const signs = this.signs();
      if (!signs) return this.bars().map((bar) => ({ begin: null, end: isLast(bar) ? null : 'none' }));
      const { opens, closes, ends } = signs.form;
      return this.bars().map((bar) => ({
        begin: opens && bar.n === 0 && isFirst(bar) ? 'repeat' : null,
        end: !isLast(bar) ? 'none' : bar.n !== signs.of - 1 ? null : closes ? 'repeat' : ends ? 'end' : null,
      }));
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  /** The bracket over the bars of an ending, with its passes where it begins; how often a repeat is played where it ends. */
  protected readonly ending = computed(() => {
    const [signs, drawn] = [this.signs(), this.drawn()];
    const [first, last] = [drawn?.bars[0], drawn?.bars.at(-1)];
    if (!signs || !first || !last) return null;
    const { ending, closes } = signs.form;
    const [firstBar, lastBar] = [this.bars()[0], this.bars().at(-1)];
    const opened = first.n === 0 && !!firstBar && isFirst(firstBar);
    const closed = last.n === signs.of - 1 && !!lastBar && isLast(lastBar);
    return {
      bracket: ending && {
        from: opened ? first.start - 8 : first.x,
        to: last.end - 2,
        begins: opened,
        closed,
      },
      passes: ending && opened ? `${ending.join(', ')}.` : '',
      times: closed && closes && closes > 2 && !ending ? `×${closes}` : '',
      end: last.end,
    };
  });
  protected readonly units = computed(() =>
    unitsFor(
      this.bars().reduce((n, b) => n + b.events.length, 0),
      this.width(),
    ),
  );
  protected readonly least = computed(() => Math.round(this.units() * LEAST_SCALE));
  protected readonly layout = computed(() => layoutOf(this.view().look, this.worded()));
  protected readonly signsBelow = SIGNS_BELOW;
  /** How much wider a stitch is by the number of its letters. */
  protected readonly wide = [1, 1, 1.25, 1.5];
  private readonly host = viewChild.required<ElementRef<HTMLDivElement>>('host');
  protected readonly drawn = signal<Drawn | null>(null);
  protected readonly label = computed(() => {
    const signs = this.signs();
    const said = signs && saySigns(signs.form);
    return this.bars()
      .flatMap((b) => [
        sayBar(b, this.cycle()),
        ...(b.n === 0 && isFirst(b) ? [said?.first ?? ''] : []),
        ...(b.n === (signs?.of ?? 0) - 1 && isLast(b) ? [said?.last ?? ''] : []),
      ])
      .filter((t) => t !== '')
      .join(' ');
  });

  constructor() {
    let gone = false;
    inject(DestroyRef).onDestroy(() => (gone = true));
    const page = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterRenderEffect(() => this.follow(page));
    afterRenderEffect(() => {
      const [bars, width, edges] = [this.bars(), this.units(), this.edges()];
      const [view, words] = [this.view(), this.worded()];
      const host = this.host().nativeElement;
      const wanted = () =>
        !gone &&
        untracked(this.bars) === bars &&
        untracked(this.units) === width &&
        untracked(this.edges) === edges &&
        untracked(this.view) === view &&
        untracked(this.worded) === words;
      void import('./draw-system').then(async ({ drawSystem, fontHere }) => {
        await fontHere();
        // One that has gone out of sight meanwhile is not drawn at all.
        inTurn(
          () => drawSystem(host, bars, width, edges, { view, words }),
          () => wanted() && bars.length > 0,
          (drawn) => this.drawn.set(drawn),
        );
      });
    });
  }

  /** Keeps the cursor in sight where the system is wider than the page. */
  private follow(page: HTMLElement) {
    const [x, units] = [this.cursor(), this.units()];
    const whole = page.scrollWidth;
    if (x === null || whole <= page.clientWidth) return;
    const at = (x / units) * whole;
    if (at < page.scrollLeft + MARGIN || at > page.scrollLeft + page.clientWidth - MARGIN)
      page.scrollLeft = at - page.clientWidth / 3;
  }
  /** Where strokes stand closer than a stitch is wide, stitches are narrower. */
  protected readonly tight = computed(() => {
    const places = this.drawn()?.stops.map((s) => s.x) ?? [];
    const least = places.reduce((gap, x, i) => (i > 0 ? Math.min(gap, x - (places[i - 1] ?? x)) : gap), Infinity);
    return Math.max(0.6, Math.min(1, least / 20));
  });
  protected readonly stops = computed(() => {
    const lies = new Map<number, string>();
    return (
      this.drawn()?.stops.map((s) => {
        // A finger that lies where it lay is not said again until the next system.
        const news = s.notes.filter((n) => lies.get(n.string) !== `${n.fret}=${n.left}`).map((n) => n.string);
        for (const n of s.notes) if (!isDead(s.event.motion, n.string)) lies.set(n.string, `${n.fret}=${n.left}`);
        const showing = { look: this.view().look, layout: this.layout() };
        return { ...stitchOf(s), ...onStrings(s, new Set(news), showing) };
      }) ?? []
    );
  });
  /** The strings by their open notes, and the capo, where a section begins. */
  protected readonly opening = computed(() => {
    const opening = this.bars()[0]?.opening;
    if (!opening) return null;
    const { tuning, capo } = opening;
    const top = this.layout().strings;
    const strings = (top === null ? [] : STRINGS).map((s) => ({
      y: stringY(s, top ?? 0),
      name: pitchName(tuning[STRINGS.indexOf(s)] ?? 0).replace(/-?\d+$/, ''),
    }));
    return { strings, capo: capo ? drawings.capo(capo) : '' };
  });
  protected readonly counts = computed(() => {
    const drawn = this.drawn();
    const cycle = this.cycle();
    const turn = cycleLength(cycle);
    return (drawn?.bars ?? []).flatMap((b) => {
      const bar = this.bars().find((x) => x.n === b.n);
      if (!bar) return [];
      const whole = Array.from({ length: Math.floor(bar.length / TICKS_PER_COUNT) }, (_, i) => i * TICKS_PER_COUNT);
      const accents = cycle.accents
        .map((a) => ({ at: (a.at - bar.inTurn + turn) % turn, weight: a.weight }))
        .filter((a) => a.at < bar.length);
      const places = [...new Set([...whole, ...accents.map((a) => a.at)])].sort((a, c) => a - c);
      return places.map((at) => ({
        key: `${b.n} ${at}`,
        x: xOf(b, at, bar.length) + 5,
        label: placeLabel(cycle, ticks((bar.inTurn + at) % turn)),
        weight: accents.find((a) => a.at === at)?.weight ?? 0,
      }));
    });
  });
  protected readonly chords = computed(() => fitted(this.chordsAt(), (c) => c.name, CHORD_LETTER));
  /** The frets of each chord, the first time that it is held in a system of the rhythm alone. */
  protected readonly held = computed(() => {
    const { frets: y } = this.layout();
    if (y === null) return [];
    const said = new Set<string>();
    const all = this.chordsAt().flatMap(({ key, x, name, frets }) => {
      if (frets === null || said.has(name)) return [];
      said.add(name);
      return [{ key, x, y, text: frets.map((f) => f ?? 'x').join('-') }];
    });
    return fitted(all, (c) => c.text, FRET_LETTER);
  });
  /** Words under the counts. */
  protected readonly sung = computed(() => {
    const all = (this.drawn()?.bars ?? []).flatMap((b) => {
      const bar = this.bars().find((x) => x.n === b.n);
      return (bar?.words ?? []).map((w) => ({
        key: `${b.n} ${w.at}`,
        x: bar ? xOf(b, w.at, bar.length) + 5 : b.start,
        text: syllableText(w),
      }));
    });
    return fitted(all, (w) => w.text, WORD_LETTER, true);
  });
  private readonly chordsAt = computed(() =>
    (this.drawn()?.bars ?? []).flatMap((b) => {
      const bar = this.bars().find((x) => x.n === b.n);
      return (bar?.chords ?? []).map((c) => ({
        key: `${b.n} ${c.at} ${c.name}`,
        x: bar ? xOf(b, c.at, bar.length) : b.start,
        name: c.name,
        goesOn: c.goesOn,
        frets: c.frets,
        cuts: c.cuts ?? false,
      }));
    }),
  );
  protected readonly numbers = computed(() =>
    (this.drawn()?.bars ?? []).map((b) => {
      const bar = this.bars().find((own) => own.n === b.n);
      return { n: b.n, x: b.x, width: b.width, chosen: this.within(b.n), named: !bar || isFirst(bar) };
    }),
  );
  private within(n: number): boolean {
    const range = this.range();
    return range !== null && n >= range[0] && n <= range[1];
  }
  /** Where the cursor stands, on a stroke or on a silence between. */
  protected readonly cursor = computed((): number | null => {
    const here = this.here();
    const bar = this.bars().find((b) => here !== null && here >= b.at && here < b.at + b.length);
    const drawn = this.drawn()?.bars.find((b) => b.n === bar?.n);
    return here !== null && bar && drawn ? xOf(drawn, here - bar.at, bar.length) + 5 : null;
  });
  protected readonly cursorY = computed(() => {
    const [string, { strings }] = [this.string(), this.layout()];
    return string === null || strings === null ? null : stringY(string, strings);
  });
  protected fold(weight: number): string {
    const r = Math.min(12, 6 + weight * 1.2);
    return `M ${0 - r} 0 A ${r} ${r} 0 0 1 ${r} 0 Z`;
  }
}
