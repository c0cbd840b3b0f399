import { all, show, texts } from '../testing/world';
import { SmallTablature, type TablatureColumn } from './small-tablature';

const column = (right: string, ...places: readonly (readonly [string: number, fret: number, left: string])[]) => ({
  notes: places.map(([string, fret, left]) => ({ string, fret, left })),
  right,
});
const columns: TablatureColumn[] = [
  column('pi', [6, 2, '1'], [3, 3, '2']),
  column('m', [2, 0, '']),
  column('a', [1, 5, '4']),
];
const shown = (here: number | null, own = columns) => show(SmallTablature, { label: 'The line', columns: own, here });
const rows = (f: Parameters<typeof texts>[0]) => texts(f, 'tr').map((t) => t.replace(/\s+/g, ' ').trim());

describe('notes in a row on six lines', () => {
  it('has a line for each string, the thinnest on top, with frets, left fingers and letters of the right hand', async () => {
    const f = await shown(null);
    expect(rows(f)).toEqual([
      'String 1 5 finger 4',
      'String 2 0',
      'String 3 3 finger 2',
      'String 4',
      'String 5',
      'String 6 2 finger 1',
      'Right hand pi m a',
    ]);
    expect(all(f, 'th').every((h) => h.getAttribute('scope') === 'row')).toBe(true);
    const box = all(f, '.scroll')[0]!;
    expect(box.getAttribute('aria-label')).toBe('The line');
    expect(box.tabIndex).toBe(0);
    expect(all(f, '[aria-current]')).toHaveLength(0);
  });
  it('without letters has six lines alone', async () => {
    const f = await shown(null, [column('', [5, 3, ''])]);
    expect(rows(f)).toHaveLength(6);
  });
  it('of a long line draws the notes around the present one, and says which they are', async () => {
    const many = Array.from({ length: 300 }, (_, n) => column('', [1, n, '']));
    const f = await shown(null, many);
    expect(all(f, 'tr:first-child td')).toHaveLength(64);
    expect(texts(f, '.part')).toEqual(['Notes 1–64 of 300']);
    for (const here of [0, 63, 150, 299]) {
      f.componentRef.setInput('here', here);
      await f.whenStable();
      expect(texts(f, '[aria-current=true]').map((t) => t.trim())).toEqual([String(here)]);
    }
    expect(texts(f, '.part')).toEqual(['Notes 237–300 of 300']);
  });
  it('marks the present note, and the next one when it goes on', async () => {
    const f = await shown(0);
    const now = () => texts(f, '[aria-current=true]').map((t) => t.replace(/\s+/g, ' ').trim());
    expect(now()).toEqual(['3 finger 2', '2 finger 1']);
    f.componentRef.setInput('here', 2);
    await f.whenStable();
    expect(now()).toEqual(['5 finger 4']);
  });
});
