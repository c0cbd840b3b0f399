import type { Kind } from '../../passage/index.js';

/** A lesson of strokes that are written: what kind of playing a hand script is. */
export interface StrokeLesson {
  readonly kind: Kind;
  readonly script: string;
}
const of = (kind: Kind, scripts: readonly string[]): readonly StrokeLesson[] =>
  scripts.map((script) => ({ kind, script }));

/** Strums, rasgueado, alzapúa, comping with strums and the plectrum: their strokes tell what they are. */
export const STROKES: readonly StrokeLesson[] = [
  ...of('alzapúa', [
    'pd:543 pu:345 p:3',
    'pd:65 pu:56 p:4_ pd:65 pu:56 p:4_',
    'p:6_ pd:543 pu:345 p:5_ pd:432 pu:234',
    'pd:432 pu:234 pd:2 pd:432 pu:234 pd:2',
    'pd:54 pu:45 p:3_ p:4_ p:5_ p:4_',
    'pd:6543 pu:3456 p:6_ p:5_',
    'p:4_ pd:321 pu:123 p:4_ pd:321 pu:123',
    'pd:543 pu:345 pd:543 pu:345 p:3_',
    'p:3_ p:4_ pd:432 pu:234',
    'pd:543 pu:345 p:3f2_',
    'pu:345 p:3_ pd:543 pu:345 p:3_ pd:543',
    'pd:21 pu:12 p:2_ pd:21 pu:12 p:3_',
  ]),
  ...of('strum', [
    'id iu id iu',
    'id - id iu',
    'id . (d) iu',
    'pd pu pd pu',
    'imad - imad -',
    'id:654321 iu:123 id:654321 iu:123',
    'id iux id iux',
    'id! iu id iu!',
    'id iu iu id iu',
    'md mu md mu',
    'id:321 iu:123',
    'pd:654 pd:654 pd:654',
  ]),
  ...of('rasgueado', [
    'ed ad md id',
    'ed ad md id iu',
    'ad md id iu',
    'ad md id ad md id',
    'md id iu md id iu',
    'pu ad pd pu ad pd',
    'pu md pd',
    'ed md id iu',
    'id iu ad md id iu',
    'ad id iu ad id iu',
    'ed ad md id ed ad md id',
    'pd pu ed ad md id',
  ]),
  ...of('comping', [
    'p:5 id iu p:5 id iu',
    'p:6 - id iu',
    'p:b - imad - p:f - imad -',
    'p:5 p:4 id iu',
    'p:5 id - p:4 iu -',
    'pd p:5 pd p:5',
    'id p:6 iu p:5',
    'p:5 ima:432 id iu',
    'ima:321 id ima:321 id',
    'p:6 ed p:5 ed',
    'p:b id:b4 iu p:b id:b4 iu',
    'p:4 adx p:4 adx',
  ]),
  ...of('plectrum', ['Pd:3 Pu:3 Pd:3 Pu:3', 'Pd:6 Pd:5 Pd:4', 'Pw:1 Pw:2 Pw:3', 'Pd:5 (d) Pu:5']),
];
