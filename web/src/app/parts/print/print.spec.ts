import { zlibSync } from 'fflate';
import type { Font } from 'opentype.js';
import { leftOut, printable } from './printable';
import { sfntOf } from './sfnt';
import { partsOf, systemSvg } from './system-svg';

describe('a font out of its container', () => {
  /** Two tables, one of them packed, as browsers get them. */
  const tables = [
    { tag: 'abcd', bytes: new Uint8Array(400).fill(7) },
    { tag: 'wxyz', bytes: Uint8Array.from([1, 2, 3, 4, 5]) },
  ];
  const container = () => {
    const own = tables.map(({ tag, bytes }) => {
      const packed = zlibSync(bytes);
      return { tag, length: bytes.length, data: packed.length < bytes.length ? packed : bytes };
    });
    let at = 44 + own.length * 20;
    const out = new Uint8Array(own.reduce((sum, t) => sum + ((t.data.length + 3) & ~3), at));
    const view = new DataView(out.buffer);
    view.setUint32(0, 0x774f4646);
    view.setUint32(4, 0x00010000);
    view.setUint16(12, own.length);
    own.forEach((t, n) => {
      const entry = 44 + n * 20;
      [...t.tag].forEach((c, i) => view.setUint8(entry + i, c.charCodeAt(0)));
      view.setUint32(entry + 4, at);
      view.setUint32(entry + 8, t.data.length);
      view.setUint32(entry + 12, t.length);
      out.set(t.data, at);
      at += (t.data.length + 3) & ~3;
    });
    return out;
  };
  it('has its tables whole, each where the head says', () => {
    const font = sfntOf(container());
    const view = new DataView(font.buffer);
    expect([view.getUint32(0), view.getUint16(4), view.getUint16(6), view.getUint16(8)]).toEqual([0x10000, 2, 32, 1]);
    tables.forEach(({ tag, bytes }, n) => {
      const entry = 12 + n * 16;
      const name = String.fromCharCode(...font.subarray(entry, entry + 4));
      const [at, length] = [view.getUint32(entry + 8), view.getUint32(entry + 12)];
      expect([name, at % 4]).toEqual([tag, 0]);
      expect(font.subarray(at, at + length)).toEqual(bytes);
    });
  });
  it('cut short fails rather than make half a font', () => expect(() => sfntOf(container().subarray(0, 90))).toThrow());
});

describe('letters on paper', () => {
  it('are those that the fonts have; the others are named before', () => {
    expect(printable('F♯7 → Ñandú «río» – Прилив')).toBe('F#7 – Ñandú «río» – ');
    expect(leftOut(['Ñandú ♭9 → «1» …', 'Прилив', 'e\u0301'])).toEqual([...'Прилв']);
  });
});

describe('a system for paper', () => {
  const signs = {
    getPath: (text: string, x: number, y: number, size: number) => ({ toPathData: () => `${text} ${x} ${y} ${size}` }),
  } as unknown as Font;
  const system = (over: string, music = '') => {
    const host = document.createElement('div');
    const svg = (inside: string) => `<svg viewBox="0 0 900 304">${inside}</svg>`;
    host.innerHTML = svg('<rect class="cursor"/>') + `<div class="signs">${svg(music)}</div>` + svg(over);
    return systemSvg(host, signs)!;
  };
  it('has what is written, and nothing of the cursor', () => {
    const svg = system('<text class="fret" x="5" y="10" dy="0.5em">3</text><rect class="pick"/>');
    expect(svg.querySelectorAll('rect')).toHaveLength(0);
    const fret = svg.querySelector('text')!;
    expect([fret.getAttribute('font-family'), fret.getAttribute('text-anchor')]).toEqual(['Alegreya Sans', 'middle']);
    expect(fret.getAttribute('y')).toBe('17');
  });
  it('signs of music are outlines, letters stay letters, in signs that the font has', () => {
    const svg = system('<text class="chord">F♯ open</text>', '<text x="1" y="2" font-size="30pt">Q</text>');
    expect(svg.querySelector('path')?.getAttribute('d')).toBe('Q 1 2 40');
    expect(svg.querySelector('text')?.textContent).toBe('F# open');
  });
  it('the thumb’s stitch and an accent keep their look', () => {
    const svg = system('<g class="stitch thumb accented"><path d="M 0 0"/><text>p</text></g>');
    expect(svg.querySelector('path')?.getAttribute('stroke-width')).toBe('3');
    expect(svg.querySelector('text')?.getAttribute('fill')).toBe('#ffffff');
  });
  it('a tap, a movement without a sound and the signs beside a stitch keep theirs', () => {
    const looks = (kind: string, path: string) => {
      const svg = system(`<g class="stitch ${kind}">${path}<text>G</text></g>`);
      const own = (name: string, of: string) => svg.querySelector(of)?.getAttribute(name);
      return [own('fill', 'path'), own('stroke', 'path'), own('fill', 'text')];
    };
    expect(looks('tap', '<path d="M 0 0"/>')).toEqual(['#ffffff', '#241c18', '#241c18']);
    expect(looks('ghost', '<path d="M 0 0"/>').slice(0, 2)).toEqual(['none', '#2f4a7d']);
    expect(looks('', '<path class="beside open" d="M 0 0"/>').slice(0, 2)).toEqual(['none', '#241c18']);
    expect(looks('accented', '<path class="beside" d="M 0 0"/>').slice(0, 2)).toEqual(['#241c18', null]);
  });
  it('comes in parts of few elements, in their order and within the same elements', () => {
    const many = Array.from({ length: 150 }, (_, n) => `<text class="count">${n}</text>`).join('');
    const parts = partsOf(system(`<g transform="scale(2)">${many}</g>`));
    expect(parts.length).toBeGreaterThan(2);
    expect(parts.every((p) => p.getAttribute('viewBox') === '0 0 900 304')).toBe(true);
    const texts = parts.flatMap((p) => [...p.querySelectorAll('text')]);
    expect(texts.map((t) => t.textContent)).toEqual(Array.from({ length: 150 }, (_, n) => String(n)));
    expect(texts.every((t) => t.closest('[transform="scale(2)"]'))).toBe(true);
  });
  it('of a system that is not drawn there is none', () =>
    expect(systemSvg(document.createElement('div'), signs)).toBeNull());
});
