import { cycleById, inOrder, makeStudy, scoreOf, setScript, setSteps } from '@ruffle-wheel/core';
import { columnsOf } from './struck-columns';

const columns = (script: string) => {
  const study = inOrder(setScript('s-a', script), setSteps('s-a', 1))(makeStudy('s', 'S', cycleById('tangos')));
  return columnsOf(scoreOf(study.sections[0]!, study).events);
};

describe('strokes as columns of a small tablature', () => {
  it('have their places with the left fingers, and the letters from the thickest string on', () => {
    const [pinch, melody] = columns('pa:6f3=2+1 m:2f3=4 . .');
    expect(pinch?.notes).toEqual([
      { string: 6, fret: 3, left: '2' },
      { string: 1, fret: 0, left: '' },
    ]);
    expect([pinch?.right, melody?.right]).toEqual(['pa', 'm']);
  });
  it('of strums, plectrum, ligado, knock and slap say what is done; dead strings are crosses', () => {
    expect(columns('id:654 Pd:3 L:3f2 G').map((c) => c.right)).toEqual(['id', 'Pd', 'L', 'G']);
    expect(columns('S (d) . .').map((c) => c.right)).toEqual(['S', '(d)']);
    expect(columns('id:654x . . .')[0]?.notes.map((n) => n.fret)).toEqual(['×', '×', '×']);
  });
});
