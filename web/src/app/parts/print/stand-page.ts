import { printable } from './printable';
import { ApplicationRef, createComponent, EnvironmentInjector, inject, Injectable } from '@angular/core';
import { breakBar, cycleText, type NotatedBar, partsFor, TICKS_PER_COUNT, tuningText } from '@ruffle-wheel/core';
import type { Font } from 'opentype.js';
import type { StandSection } from '../../compute/exchange-tasks';
import { StaveSystem } from '../../ui/stave/stave-system';
import { type PageView, PLAIN_VIEW, strokesIn } from '../../ui/stave/system-layout';
import { files } from '../../words/files';
import type { Format } from './paper';
import { sayCycle } from '../../words/said/catalogue';

/** Units across a system on paper, and strokes in a bar that leave no room for a second one beside it. */
const UNITS = 900;
const CROWDED = 12;
const HEAD_MM = 9;
const BETWEEN_MM = 3;
const LONGEST_WAIT_MS = 5_000;

/** The stand page: systems with both hands, cycle and accents on top, as a document. */
@Injectable({ providedIn: 'root' })
export class StandPage {
  private readonly app = inject(ApplicationRef);
  private readonly environment = inject(EnvironmentInjector);

  /**
   * @param progress told after each system, 0…1; says false to end it
   * @param view what of the page is shown
   * @returns null when it was ended
   */
  async pdf(
    title: string,
    sections: readonly StandSection[],
    format: Format,
    progress: (share: number) => boolean,
    view: PageView = PLAIN_VIEW,
  ): Promise<Blob | null> {
    const [{ MARGIN, numberPages, paper, SANS, SERIF }, { partsOf, systemSvg }, signs] = await Promise.all([
      import('./paper'),
      import('./system-svg'),
      signsFont(),
    ]);
    const doc = await paper(format, title);
    const { width, height } = doc.internal.pageSize;
    const across = width - 2 * MARGIN;
    let y = MARGIN;
    const room = (mm: number) => {
      if (y + mm <= height - MARGIN) return;
      doc.addPage();
      y = MARGIN;
    };
    doc
      .setFont(SERIF, 'bold')
      .setFontSize(20)
      .text(printable(title), MARGIN, y + 6);
    y += 11;
    const all = sections.reduce((n, s) => n + systemsOf(s.bars).length, 0);
    let done = 0;
    for (const [n, section] of sections.entries()) {
      room(HEAD_MM + 60);
      doc
        .setFont(SERIF, 'bold')
        .setFontSize(13)
        .text(printable(section.name), MARGIN, y + 5);
      const after = doc.getTextWidth(printable(section.name)) + 4;
      const said = printable(`${sayCycle(section.cycle).name} · ${files.tempo(section.bpm)}`);
      doc
        .setFont(SANS, 'normal')
        .setFontSize(10)
        .text(said, MARGIN + after, y + 5);
      y += HEAD_MM;
      for (const bars of systemsOf(section.bars)) {
        const drawn = await this.drawn(section, bars, n === sections.length - 1, view);
        const svg = drawn && systemSvg(drawn.host, signs);
        drawn?.end();
        if (svg) {
          const [, , w = UNITS, h = 300] = (svg.getAttribute('viewBox') ?? '').split(' ').map(Number);
          const tall = (h * across) / w;
          room(tall);
          for (const part of partsOf(svg)) {
            await doc.svg(part, { x: MARGIN, y, width: across, height: tall });
            await turn();
          }
          y += tall + BETWEEN_MM;
        }
        if (!progress(++done / all)) return null;
      }
    }
    numberPages(doc, printable(footOf(title, sections)));
    return doc.output('blob');
  }
  /** A system drawn out of sight. */
  private async drawn(section: StandSection, bars: readonly NotatedBar[], last: boolean, view: PageView) {
    const host = document.createElement('div');
    host.className = 'out-of-sight';
    document.body.append(host);
    const made = createComponent(StaveSystem, { environmentInjector: this.environment, hostElement: host });
    const { opens, closes, ending } = section;
    const form = { opens, closes, ending: ending?.passes ?? null, ends: last };
    const of = (section.bars.at(-1)?.n ?? 0) + 1;
    const worded = section.bars.some((b) => b.words.length > 0);
    const inputs = { bars, cycle: section.cycle, width: UNITS, signs: { form, of }, view, worded };
    for (const [name, value] of Object.entries(inputs)) made.setInput(name, value);
    this.app.attachView(made.hostView);
    const end = () => {
      made.destroy();
      host.remove();
    };
    const until = performance.now() + LONGEST_WAIT_MS;
    while (!host.querySelector('.signs svg')) {
      if (performance.now() > until) {
        end();
        return null;
      }
      await new Promise((resolve) => setTimeout(resolve, 8));
    }
    await this.app.whenStable();
    await turn();
    return { host, end };
  }
}
/** What every page says: the piece, its strings and capo, each section's cycle with its accents and tempo. */
function footOf(title: string, sections: readonly StandSection[]): string {
  const opening = sections[0]?.bars.find((b) => b.opening)?.opening;
  const said = [...new Set(sections.map((s) => `${cycleText(s.cycle)}, ${files.tempo(s.bpm)}`))];
  return [title, ...(opening ? [files.strings(tuningText(opening.tuning), opening.capo)] : []), ...said].join(' · ');
}
/** The page has its turn. */
const turn = () => new Promise((resolve) => setTimeout(resolve));
/** Two bars a system, or one where they are full, or a part of one that is too full. */
export function systemsOf(bars: readonly NotatedBar[]): (readonly NotatedBar[])[] {
  const busiest = Math.max(0, ...bars.map((b) => b.events.length));
  if (busiest <= CROWDED)
    return Array.from({ length: Math.ceil(bars.length / 2) }, (_, n) => bars.slice(n * 2, n * 2 + 2));
  return bars.flatMap((bar) =>
    breakBar(bar, partsFor(bar.events.length, strokesIn(UNITS), bar.length / TICKS_PER_COUNT)).map((part) => [part]),
  );
}
let font: Promise<Font> | null = null;
function signsFont(): Promise<Font> {
  font ??= Promise.all([import('opentype.js'), import('./signs-font')]).then(async ([{ parse }, { signsUrl }]) =>
    parse(await (await fetch(signsUrl)).arrayBuffer()),
  );
  return font;
}
