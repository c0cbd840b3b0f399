import {
  cycleLength,
  type SheetSection,
  type SheetStroke,
  type SheetTurn,
  type Shape,
  STRINGS,
  TICKS_PER_COUNT,
  tuningText,
} from '@ruffle-wheel/core';
import type { jsPDF } from 'jspdf';
import { files } from '../../words/files';
import { type Format, MARGIN, numberPages, paper, SANS, SERIF } from './paper';
import { printable } from './printable';
import { sayChange } from '../../words/said/left-hand';
import { sayCycle } from '../../words/said/catalogue';

const INK = '#241c18';
const SOFT = '#6d5d54';
const POMEGRANATE = '#a8243c';
const CLOTH = '#f6d5d6';
const LINE = '#b9aca0';
const INDIGO = '#2f4a7d';
const OLIVE = '#4c6126';
const words = files.sheet;
/** What a turn takes on the page, about. */
const STRIP_MM = 54;

/**
 * A practice sheet: a page a section, to play from and to tick by hand.
 * @param mirrored shapes as a left-handed player sees them, string 1 at the left
 */
export async function sheetPdf(
  title: string,
  sections: readonly SheetSection[],
  format: Format,
  mirrored = false,
): Promise<Blob> {
  const doc = await paper(format, title);
  sections.forEach((section, n) => {
    if (n > 0) doc.addPage();
    new Sheet(doc, section, mirrored).draw(title);
  });
  numberPages(doc);
  return doc.output('blob');
}
class Sheet {
  private readonly width: number;
  private readonly height: number;
  constructor(
    private readonly doc: jsPDF,
    private readonly section: SheetSection,
    private readonly mirrored: boolean,
  ) {
    this.width = doc.internal.pageSize.width;
    this.height = doc.internal.pageSize.height;
  }
  draw(title: string) {
    const { name, cycle, bpm, shapes, changes, turns, thumbs, instrument } = this.section;
    this.type(SERIF, 'bold', 20).text(printable(title), MARGIN, MARGIN + 6);
    this.type(SERIF, 'bold', 14).text(printable(name), MARGIN, MARGIN + 15);
    const after = this.doc.getTextWidth(printable(name)) + 4;
    this.type(SANS, 'normal', 10).text(
      printable(`${sayCycle(cycle).name} · ${files.tempo(bpm)}`),
      MARGIN + after,
      MARGIN + 15,
    );
    this.type(SANS, 'normal', 10, SOFT).text(
      printable(files.strings(tuningText(instrument.tuning), instrument.capo)),
      MARGIN,
      MARGIN + 20.5,
    );
    let y = MARGIN + 27;
    const radius = 30;
    this.wheel(MARGIN + radius + 6, y + radius + 6, radius);
    const left = MARGIN + 2 * radius + 22;
    const deep = this.shapes(shapes, left, y);
    y = Math.max(y + 2 * radius + 18, deep + 6);
    for (const [n, turn] of turns.entries()) {
      if (y + STRIP_MM > this.height - MARGIN) {
        this.doc.addPage();
        y = MARGIN;
      }
      y = this.strip(turn, y, turns.length > 1 || n > 0);
    }
    if (thumbs.length) {
      const said = thumbs.map((t) => words.thumb(t.chord, t.strings.map(String)));
      const lines = this.type(SANS, 'normal', 10).splitTextToSize(
        printable(words.thumbs(said)),
        this.width - 2 * MARGIN,
      ) as string[];
      this.doc.text(lines, MARGIN, y);
      y += 4 + lines.length * 4.3;
    }
    y += 4;
    if (y + 30 > this.height - MARGIN) {
      this.doc.addPage();
      y = MARGIN + 4;
    }
    if (changes.length) {
      this.type(SERIF, 'bold', 13).text(words.changes, MARGIN, y);
      y += 6;
      for (const change of changes) {
        const head = printable(words.change(change.from.name, change.to.name, change.label));
        this.type(SANS, 'bold', 10).text(head, MARGIN, y);
        const lines = this.type(SANS, 'normal', 10).splitTextToSize(
          printable(sayChange(change).join(' ')),
          this.width - 2 * MARGIN - 4,
        ) as string[];
        this.doc.text(lines, MARGIN + 4, y + 4.6);
        y += 7 + lines.length * 4.3;
      }
      y += 3;
    }
    this.ladder(y);
  }
  private type(family: string, style: 'normal' | 'bold', size: number, colour = INK): jsPDF {
    return this.doc.setFont(family, style).setFontSize(size).setTextColor(colour);
  }
  private centred(text: string, x: number, y: number) {
    this.doc.text(text, x, y, { align: 'center', baseline: 'middle' });
  }
  /** The turn as a round: counts outside, folds on the accents, strokes within. */
  private wheel(x: number, y: number, r: number) {
    const { cycle, turns } = this.section;
    const strokes = turns[0]?.strokes ?? [];
    const turn = cycleLength(cycle);
    const at = (ticks: number, radius: number): [number, number] => {
      const angle = (2 * Math.PI * ticks) / turn - Math.PI / 2;
      return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
    };
    this.doc.setDrawColor(LINE).setLineWidth(0.4).circle(x, y, r, 'S');
    for (const { at: place, weight } of cycle.accents) {
      const [px, py] = at(place, r);
      this.doc
        .setFillColor(CLOTH)
        .setDrawColor(POMEGRANATE)
        .setLineWidth(0.3)
        .circle(px, py, 1.6 + 1.6 * weight, 'FD');
    }
    const heavy = new Set(cycle.accents.map((a) => a.at as number));
    cycle.labels.forEach((label, n) => {
      const accented = heavy.has(n * TICKS_PER_COUNT);
      this.type(SANS, accented ? 'bold' : 'normal', 11, accented ? POMEGRANATE : SOFT);
      this.centred(printable(label), ...at(n * TICKS_PER_COUNT, r + 6));
    });
    const size = strokes.length > 24 ? 6 : strokes.length > 16 ? 7.5 : 9;
    for (const s of strokes) {
      this.type(SANS, s.accent ? 'bold' : 'normal', size, s.accent ? POMEGRANATE : INK);
      this.centred(s.letters, ...at(s.at, r - 6));
    }
  }
  /** @returns where they end */
  private shapes(shapes: readonly Shape[], left: number, top: number): number {
    const [wide, tall] = [24, 36];
    const columns = Math.max(1, Math.floor((this.width - MARGIN - left) / wide));
    const shown = shapes.slice(0, columns * 3);
    shown.forEach((shape, n) => this.shape(shape, left + (n % columns) * wide, top + Math.floor(n / columns) * tall));
    return top + Math.ceil(shown.length / columns) * tall;
  }
  private shape({ name, frets, fingers }: Shape, x: number, y: number) {
    const [gap, row, rows] = [3, 4.6, 5];
    const stopped = frets.filter((f): f is number => f !== null && f > 0);
    const first = Math.max(0, ...stopped) > rows ? Math.min(...stopped) : 1;
    this.type(SERIF, 'bold', 11).text(printable(name), x, y + 3, { maxWidth: 23 });
    const [left, top] = [x + 2, y + 9];
    this.doc.setDrawColor(INK).setLineWidth(0.25);
    STRINGS.forEach((_, s) => this.doc.line(left + s * gap, top, left + s * gap, top + rows * row));
    for (let f = 0; f <= rows; f++) {
      this.doc.setLineWidth(f === 0 && first === 1 ? 0.8 : 0.25);
      this.doc.line(left, top + f * row, left + 5 * gap, top + f * row);
    }
    if (first > 1) this.type(SANS, 'normal', 8, SOFT).text(String(first), left + 5 * gap + 1.5, top + 3.4);
    frets.forEach((fret, s) => {
      const sx = left + (this.mirrored ? 5 - s : s) * gap;
      this.type(SANS, 'normal', 8, SOFT);
      if (fret === null || fret === 0) this.centred(fret === null ? '×' : '0', sx, top - 2);
      else {
        const sy = top + (fret - first + 0.5) * row;
        this.doc.setFillColor(INK).circle(sx, sy, 1.7, 'F');
        this.type(SANS, 'bold', 7.5, '#ffffff');
        this.centred(String(fingers[s] ?? ''), sx, sy);
      }
    });
  }
  /**
   * A turn in a line: chords and counts with their accents, letters under them, strings and frets below.
   * @returns where it ends
   */
  private strip({ turns, strokes, chords, words: said }: SheetTurn, y: number, numbered: boolean): number {
    const { cycle } = this.section;
    const across = this.width - 2 * MARGIN - 8;
    const at = (ticks: number) => MARGIN + 4 + (across * ticks) / cycleLength(cycle);
    const heavy = new Map(cycle.accents.map((a) => [a.at as number, a.weight]));
    if (numbered) {
      this.type(SANS, 'normal', 9, SOFT).text(printable(words.turns(turns.map(String))), MARGIN, y);
      y += 4;
    }
    for (const { at: place, name } of chords)
      this.type(SERIF, 'bold', 10).text(printable(name), at(place) - 1.5, y + 1);
    y += chords.length ? 3.5 : 0;
    this.doc
      .setDrawColor(LINE)
      .setLineWidth(0.4)
      .line(MARGIN, y + 8, this.width - MARGIN, y + 8);
    cycle.labels.forEach((label, n) => {
      const accented = heavy.has(n * TICKS_PER_COUNT);
      this.type(SANS, accented ? 'bold' : 'normal', 10, accented ? POMEGRANATE : SOFT);
      this.centred(printable(label), at(n * TICKS_PER_COUNT), y + 3);
    });
    for (const [place, weight] of heavy)
      this.doc
        .setFillColor(CLOTH)
        .setDrawColor(POMEGRANATE)
        .setLineWidth(0.3)
        .circle(at(place), y + 8, 1 + weight, 'FD');
    // As large as the closest neighbours leave room for.
    const roomOf = (places: readonly number[]) =>
      places.reduce((least, p, n) => Math.min(least, n > 0 ? at(p) - at(places[n - 1] ?? 0) : Infinity), across);
    const sizeOf = (texts: readonly string[], largest: number, places = strokes.map((s) => s.at)) => {
      this.type(SANS, 'bold', 10);
      const widest = Math.max(0.1, ...texts.map((t) => this.doc.getTextWidth(printable(t))));
      return Math.max(3.5, Math.min(largest, (10 * (roomOf(places) - 0.6)) / widest));
    };
    const size = sizeOf(
      strokes.map((s) => s.letters),
      11,
    );
    const below = sizeOf(
      strokes.flatMap((s) => s.places.split(' ')),
      8,
    );
    for (const s of strokes) {
      this.type(SANS, s.accent ? 'bold' : 'normal', size, s.accent ? POMEGRANATE : INK);
      this.centred(s.letters, at(s.at), y + 13.5);
      this.type(SANS, 'normal', below, SOFT);
      s.places.split(' ').forEach((place, n) => this.centred(place, at(s.at), y + 17 + n * below * 0.4));
    }
    const deepest = Math.max(1, ...strokes.map((s) => s.places.split(' ').length));
    let end = y + 18.5 + deepest * below * 0.4;
    if (said.length) {
      const sung = sizeOf(
        said.map((w) => w.text),
        9,
        said.map((w) => w.at),
      );
      this.type(SANS, 'normal', sung);
      for (const w of said) this.centred(printable(w.text), at(w.at), end + 1.5);
      end += 4;
    }
    // Where strings are plucked one by one, the fingers stand on them too.
    return strokes.some((s) => s.plucked.length > 0) ? this.sixLines(strokes, at, end + 2) : end + 1.5;
  }
  /**
   * The right hand alone on six lines, string 1 on top: fingers on their strings, a strum through them.
   * @returns where they end
   */
  private sixLines(strokes: readonly SheetStroke[], at: (ticks: number) => number, y: number): number {
    const gap = 2.5;
    const line = (string: number) => y + (string - 1) * gap;
    this.doc.setDrawColor(LINE).setLineWidth(0.2);
    for (const s of STRINGS) this.doc.line(MARGIN, line(s), this.width - MARGIN, line(s));
    for (const s of strokes) {
      const x = at(s.at);
      if (s.strum) {
        const [from, to] = [line(s.strum[0]), line(s.strum[1])];
        const back = to > from ? -1.3 : 1.3;
        this.doc.setDrawColor(INK).setLineWidth(0.3).line(x, from, x, to);
        this.doc.line(x - 0.8, to + back, x, to).line(x + 0.8, to + back, x, to);
      }
      for (const { string, finger } of s.plucked) {
        this.doc.setFillColor('#ffffff').rect(x - 1.1, line(string) - 1.1, 2.2, 2.2, 'F');
        this.type(SANS, 'bold', 8, finger === 'p' ? OLIVE : INDIGO);
        this.centred(finger, x, line(string));
      }
    }
    return y + 5 * gap + 6;
  }
  /** Tempos with a box for each clean pass. */
  private ladder(y: number) {
    const { rungs, ladder } = this.section;
    this.type(SERIF, 'bold', 13).text(words.ladder, MARGIN, y);
    const passes = printable(words.passes(ladder.passes));
    this.type(SANS, 'normal', 10, SOFT).text(passes, MARGIN + 22, y);
    const boxes = Math.min(10, ladder.passes);
    const wide = 14 + boxes * 6;
    const columns = Math.max(1, Math.floor((this.width - 2 * MARGIN) / wide));
    const rows = Math.max(1, Math.floor((this.height - MARGIN - y - 8) / 8));
    rungs.slice(0, columns * rows).forEach((rung, n) => {
      const [x, top] = [MARGIN + (n % columns) * wide, y + 6 + Math.floor(n / columns) * 8];
      this.type(SANS, 'bold', 11).text(String(rung), x, top + 3.8);
      this.doc.setDrawColor(INK).setLineWidth(0.3);
      for (let b = 0; b < boxes; b++) this.doc.rect(x + 10 + b * 6, top, 4.6, 4.6, 'S');
    });
  }
}
