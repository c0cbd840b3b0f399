import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { notate } from '../../notation/index.js';
import { inOrder, makeStudy, putShape, setChart, setScript } from '../../piece/index.js';
import { readShape } from '../../left-hand/index.js';
import { scoreOf } from '../../score/index.js';
import { sayBar } from './say-bar.js';

const am = { id: 'am', name: 'Am', ...readShape('x-0-2-2-1-0', 'x-0-2-3-1-0') };
const bars = (script: string, chart = 'Am') => {
  const made = makeStudy('s', 'Study', cycleById('bossa-three-two'));
  const study = inOrder(putShape(am), setChart('s-a', chart), setScript('s-a', script))(made);
  const section = study.sections[0]!;
  return notate(scoreOf(section, study), section.cycle).map((b) => sayBar(b, section.cycle));
};

describe('a bar read aloud', () => {
  it('names the chord, each place with who plays, strings, frets and left fingers', () => {
    expect(bars('p:5 ima:432! id - - - - -')[0]).toBe(
      'Bar 1. Am. 1 p: string 5 open; 1 & i m a accented: string 4 fret 2 finger 2, string 3 fret 2 finger 3, string 2 fret 1 finger 1; 2 i down: string 5 open, string 4 fret 2 finger 2, string 3 fret 2 finger 3, string 2 fret 1 finger 1, string 1 open.',
    );
  });
  it('says where a chord begins inside the bar, and what is only held on is not said again', () => {
    expect(bars('. . . . . . . i:3 - - - . . . . .', 'Am . Am:2')[1]).toMatch(/^Bar 2\..* Silent\.$/);
    expect(bars('G . (d) . L:2f3=4 . . .', '.:2 Am:2')[0]).toBe(
      'Bar 1. Am on 3. 1 golpe; 2 ghost down; 3 ligado: string 2 fret 3 finger 4.',
    );
  });
});
