import { all, show, texts } from '../testing/world';
import { LineTable } from './line-table';

const lines = [
  { name: 'String', cells: ['6 3', '2', '1'] },
  { name: 'Fret', cells: ['2 3', '0', '5'] },
];
const table = (here: number | null) => show(LineTable, { label: 'The line', lines, here });

describe('a line note by note', () => {
  it('has a row for each name and a column for each note, reached and named for those who don’t see it', async () => {
    const f = await table(null);
    expect(texts(f, 'tr')).toEqual(['String 6 3 2 1', 'Fret 2 3 0 5']);
    expect(all(f, 'th').map((h) => h.getAttribute('scope'))).toEqual(['row', 'row']);
    const box = all(f, '.scroll')[0]!;
    expect(box.getAttribute('aria-label')).toBe('The line');
    expect(box.tabIndex).toBe(0);
    expect(all(f, '[aria-current]')).toHaveLength(0);
  });
  it('of a long line draws the notes around the present one, and says which they are', async () => {
    const many = [{ name: 'Fret', cells: Array.from({ length: 300 }, (_, n) => String(n)) }];
    const f = await show(LineTable, { label: 'The line', lines: many, here: null });
    expect(all(f, 'td')).toHaveLength(64);
    expect(texts(f, '.part')).toEqual(['Notes 1–64 of 300']);
    for (const here of [0, 63, 150, 299]) {
      f.componentRef.setInput('here', here);
      await f.whenStable();
      expect(texts(f, '[aria-current=true]')).toEqual([String(here)]);
    }
    expect(texts(f, '.part')).toEqual(['Notes 237–300 of 300']);
  });
  it('marks the present note in every row, and the next one when it goes on', async () => {
    const f = await table(1);
    expect(texts(f, '[aria-current=true]')).toEqual(['2', '0']);
    f.componentRef.setInput('here', 2);
    await f.whenStable();
    expect(texts(f, '[aria-current=true]')).toEqual(['1', '5']);
  });
});
