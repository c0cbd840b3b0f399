import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { inOrder, keepTrial, makeStudy, setChart, setScript } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { ticks } from '../time/index.js';
import { scoreOf } from '../score/index.js';
import { sectionInKey } from '../solve/rank-keys/index.js';
import { passageOf, withPassage } from './index.js';

const study = inOrder(
  setScript('s-a', 'p:6f3 - i:1f3 - p:5f3 - - - | p:6f5 - i:1f5 - - - - - | p:6f3 - - - - - - -'),
  setChart('s-a', ''),
)(makeStudy('s', 'S', cycleById('tangos')));
const own = study.sections[0]!;
const up = { transposed: 2, capo: 0 };
const sounds = (of: typeof study) =>
  scoreOf(of.sections[0]!, of).events.map((e) => [e.at, e.notes.map((n) => n.midi)] as const);

describe('a passage in another key', () => {
  it('moves by itself; what stands before and behind it stays', () => {
    const passage = passageOf(own, study, [1, 1])!;
    expect(passage.script).toBe('p:6f5 - i:1f5 - - - - -');
    const moved = sectionInKey(passage, study, up, DEFAULT_PROFILE);
    if ('code' in moved) throw new Error(moved.code);
    const whole = withPassage(own, study, [1, 1], moved);
    if ('code' in whole) throw new Error(whole.code);
    const after = sounds(keepTrial('s-a', whole)(study));
    expect(after).toEqual(
      sounds(study).map(([at, midis]) => [at, midis.map((m) => (at >= 20_160 && at < 40_320 ? m + 2 : m))]),
    );
  });
  it('with its chords, wherever in the turn it begins', () => {
    const bossa = inOrder(
      setScript('s-a', '{p:b - ima:t - p:b - ima:t -}x4'),
      setChart('s-a', 'Am7 | Dm7 | Em7 | Am7'),
    )(makeStudy('s', 'S', cycleById('bossa-three-two')));
    const section = bossa.sections[0]!;
    const moved = sectionInKey(passageOf(section, bossa, [1, 2])!, bossa, up, DEFAULT_PROFILE);
    if ('code' in moved) throw new Error(moved.code);
    const whole = withPassage(section, bossa, [1, 2], moved);
    expect(whole).toMatchObject({ chart: 'Am7 | Em7 | F#m7 | Am7' });
    expect('code' in whole ? [] : whole.shapes?.map((s) => s.name)).toEqual(['F#m7', 'Em7'].sort().reverse());
  });
  it('of bars of other lengths too', () => {
    const uneven = { ...cycleById('tangos')!, bars: [ticks(5_040), ticks(5_040), ticks(10_080)] };
    const of = inOrder(setScript('s-a', '{p:b -}x4'), setChart('s-a', 'Am | Bm | C'))(makeStudy('s', 'S', uneven));
    const section = of.sections[0]!;
    const moved = sectionInKey(passageOf(section, of, [1, 1])!, of, up, DEFAULT_PROFILE);
    if ('code' in moved) throw new Error(moved.code);
    expect(withPassage(section, of, [1, 1], moved)).toMatchObject({ chart: 'Am | C#m | C' });
    const two = sectionInKey(passageOf(section, of, [1, 2])!, of, up, DEFAULT_PROFILE);
    if ('code' in two) throw new Error(two.code);
    expect(withPassage(section, of, [1, 2], two)).toMatchObject({ chart: 'Am | C#m | D' });
  });
  it('that can’t be cut out is none', () => {
    const over = setScript('s-a', 'p:6f3 - - [i:1 i:1 i:1]:6 - - - - - - -')(study);
    expect(passageOf(over.sections[0]!, over, [0, 0])).toBeNull();
    expect(passageOf(own, study, [7, 8])).toBeNull();
  });
});
