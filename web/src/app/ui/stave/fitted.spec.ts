import { fitted } from './fitted';

const widths = (xs: readonly number[], text: string, centred = false) =>
  fitted(
    xs.map((x) => ({ x })),
    () => text,
    10,
    centred,
  ).map((t) => t.narrow);

describe('texts beside one another', () => {
  it('with room are as wide as they are, the last one always', () =>
    expect(widths([0, 100, 200], 'abcde')).toEqual([null, null, null]));
  it('that would run into the next are as narrow as there is room, a letter wide at least', () => {
    expect(widths([0, 40, 100], 'abcde')).toEqual([34, null, null]);
    expect(widths([0, 8], 'abcde')).toEqual([10, null]);
  });
  it('that are centred have the one before beside them too', () =>
    expect(widths([0, 40, 140], 'abcde', true)).toEqual([34, 34, null]));
});
