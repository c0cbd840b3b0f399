import type { Font } from 'opentype.js';
import { SANS, SERIF } from './paper';
import { printable } from './printable';

const NAMESPACE = 'http://www.w3.org/2000/svg';
const INK = '#241c18';
const SOFT = '#6d5d54';
const POMEGRANATE = '#a8243c';
const INDIGO = '#2f4a7d';
const OLIVE = '#4c6126';
type Look = Readonly<Record<string, string>>;
const sans = (size: number, weight = 'normal', more: Look = {}): Look => ({
  'font-family': SANS,
  'font-size': String(size),
  'font-weight': weight,
  fill: INK,
  ...more,
});
const middle = { 'text-anchor': 'middle' };
/** How what lies over the staff looks on paper, by its class; none of it is left to the page’s own sheet. */
const LOOKS: Readonly<Record<string, Look>> = {
  number: sans(12, 'normal', { fill: SOFT }),
  chord: { 'font-family': SERIF, 'font-size': '19', 'font-weight': 'bold', fill: INK },
  'goes-on': { fill: SOFT },
  count: sans(14, 'normal', { ...middle, fill: SOFT }),
  accent: { 'font-weight': 'bold', fill: POMEGRANATE },
  fold: { fill: '#f6d5d6', stroke: POMEGRANATE, 'stroke-width': '1' },
  'string-name': sans(12, 'normal', { ...middle, fill: SOFT }),
  capo: sans(13, 'bold'),
  left: sans(12, 'bold', { ...middle, fill: OLIVE }),
  tuplet: sans(12, 'normal', middle),
  fret: sans(14, 'bold', middle),
  'frets-held': sans(13),
  word: sans(15, 'normal', middle),
  sweep: { fill: 'none', stroke: INDIGO, 'stroke-width': '1.8' },
  slur: { fill: 'none', stroke: INK, 'stroke-width': '1.4' },
  behind: { fill: '#ffffff' },
  ending: { fill: 'none', stroke: INK, 'stroke-width': '1.2' },
  passes: sans(13, 'bold', { 'text-anchor': 'start' }),
  times: { 'text-anchor': 'end' },
};
/** What belongs to the screen alone. */
const SCREEN = '.cursor, .string, .range, .pick';

/** A system as one drawing for paper: staff and tablature, what lies over them, the signs' own letters as outlines. */
export function systemSvg(system: HTMLElement, signs: Font): SVGSVGElement | null {
  const layers = [...system.querySelectorAll('svg')];
  const box = layers[0]?.getAttribute('viewBox');
  if (!box || layers.length < 3) return null;
  const svg = document.createElementNS(NAMESPACE, 'svg');
  svg.setAttribute('viewBox', box);
  for (const layer of layers) {
    const group = document.createElementNS(NAMESPACE, 'g');
    const music = layer.closest('.signs') !== null;
    for (const child of [...layer.children]) group.append(child.cloneNode(true));
    for (const e of [...group.querySelectorAll(SCREEN)]) e.remove();
    if (music) outlined(group, signs);
    // What is inside first: it goes by the class of what it is in.
    else for (const e of [...group.querySelectorAll('*')].reverse()) dressed(e);
    svg.append(group);
  }
  return svg;
}
/** Elements that are turned into a document at once: a drawing of many would hold the page up. */
const AT_ONCE = 60;
const sizeIn = (e: Element): number => e.querySelectorAll('*').length + 1;
/** A drawing in parts, one over the other, each of few elements. */
export function partsOf(svg: SVGSVGElement): SVGSVGElement[] {
  const parts: SVGSVGElement[] = [];
  let room = 0;
  const put = (piece: Element) => {
    const size = sizeIn(piece);
    if (size > room) {
      parts.push(svg.cloneNode(false) as SVGSVGElement);
      room = AT_ONCE;
    }
    parts.at(-1)?.append(piece);
    room -= size;
  };
  for (const child of [...svg.children]) for (const piece of piecesOf(child)) put(piece);
  return parts;
}
/** An element, or what is in it, each within the same elements as before. */
function piecesOf(e: Element): Element[] {
  if (sizeIn(e) <= AT_ONCE || e.children.length === 0) return [e];
  return [...e.children].flatMap(piecesOf).map((piece) => {
    const around = e.cloneNode(false) as Element;
    around.append(piece);
    return around;
  });
}
/** How a stitch, or a sign beside it, is filled and edged. */
function stitchLook(e: Element, stitch: DOMTokenList): Look {
  if (e.classList.contains('beside'))
    return e.classList.contains('open') ? { fill: 'none', stroke: INK, 'stroke-width': '1.8' } : { fill: INK };
  const fill = stitch.contains('thumb') ? OLIVE : INDIGO;
  if (stitch.contains('ghost')) return { fill: 'none', stroke: INDIGO, 'stroke-width': '2', 'stroke-dasharray': '4 3' };
  const own: Look = stitch.contains('tap') ? { fill: '#ffffff', stroke: INK, 'stroke-width': '2' } : { fill };
  return stitch.contains('accented') ? { ...own, stroke: POMEGRANATE, 'stroke-width': '3' } : own;
}
function dressed(e: Element) {
  for (const name of e.classList)
    for (const [attribute, value] of Object.entries(LOOKS[name] ?? {})) e.setAttribute(attribute, value);
  const stitch = e.closest('.stitch');
  if (stitch && e.localName === 'path')
    for (const [attribute, value] of Object.entries(stitchLook(e, stitch.classList))) e.setAttribute(attribute, value);
  if (stitch && e.localName === 'text')
    for (const [attribute, value] of Object.entries(
      sans(13, 'bold', { ...middle, fill: stitch.classList.contains('tap') ? INK : '#ffffff' }),
    ))
      e.setAttribute(attribute, value);
  if (e.localName === 'text') lettered(e);
  e.removeAttribute('class');
}
/** Letters that the fonts have; a shift by the size of the letters becomes one by units. */
function lettered(e: Element) {
  e.textContent = printable((e.textContent ?? '').trim());
  const shift = /^([\d.]+)em$/.exec(e.getAttribute('dy') ?? '');
  if (!shift) return;
  e.removeAttribute('dy');
  e.setAttribute(
    'y',
    String(Number(e.getAttribute('y') ?? 0) + Number(shift[1]) * Number(e.getAttribute('font-size') ?? 13)),
  );
}
/** Signs are letters of a font of their own, which documents embed badly: their outlines instead. */
function outlined(group: Element, signs: Font) {
  for (const text of [...group.querySelectorAll('text')]) {
    const size = sizeOf(text);
    const [x, y] = [Number(text.getAttribute('x') ?? 0), Number(text.getAttribute('y') ?? 0)];
    const path = document.createElementNS(NAMESPACE, 'path');
    path.setAttribute('d', signs.getPath(text.textContent ?? '', x, y, size).toPathData(2));
    path.setAttribute('fill', INK);
    path.setAttribute('stroke', 'none');
    text.replaceWith(path);
  }
  for (const e of [group, ...group.querySelectorAll('*')])
    for (const attribute of ['fill', 'stroke'])
      if (e.getAttribute(attribute) === 'currentColor') e.setAttribute(attribute, INK);
}
/** In units; drawings give it in points or in pixels. */
function sizeOf(text: Element): number {
  const said = text.getAttribute('font-size') ?? text.closest('[font-size]')?.getAttribute('font-size') ?? '30pt';
  const n = Number.parseFloat(said);
  return said.endsWith('pt') ? (n * 4) / 3 : n;
}
