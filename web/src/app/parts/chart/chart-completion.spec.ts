import { describe, expect, it } from 'vitest';
import { shape } from '../../testing/world';
import { chartCompletion } from './chart-completion';

const complete = chartCompletion(() => [
  { ...shape('am', 'x-0-2-2-1-0'), name: 'Am' },
  { ...shape('open', '2-4-4-3-0-0'), name: 'F♯ open' },
]);
const offered = (before: string) => {
  const found = complete(before);
  return found && { ...found, offers: found.offers.map((o) => o.text) };
};

describe('what could come next in a chart', () => {
  it('shapes of the study that begin so, at once, with their frets; names with blanks in quotation marks', () => {
    expect(offered('C | a')).toMatchObject({ from: 4, unasked: true });
    expect(offered('C | a')?.offers[0]).toBe('Am');
    expect(complete('C | a')?.offers[0]?.says).toBe('x-0-2-2-1-0');
    expect(offered('C "F♯ o')).toEqual({ from: 2, offers: ['"F♯ open"'], unasked: true });
  });
  it('the usual symbols behind a root, only when asked', () => {
    expect(offered('| E')).toMatchObject({ from: 2, unasked: false });
    expect(offered('| E')?.offers).toEqual(expect.arrayContaining(['E', 'Em', 'E7', 'Emaj7', 'E7b9']));
    expect(offered('| Em')?.offers).not.toContain('E7');
    // The study's own shape stands once.
    expect(offered('A')?.offers.filter((o) => o === 'Am')).toHaveLength(1);
  });
  it('where a chord begins, all shapes and what repeats or holds one, when asked', () =>
    expect(offered('Am | ')).toEqual({ from: 5, offers: ['Am', '"F♯ open"', '%', '-', '.'], unasked: false }));
  it('nothing at once for a name that is written whole, and nothing behind a length', () => {
    expect(offered('Am')?.unasked).toBe(false);
    expect(offered('Am:3')).toBeNull();
    expect(offered('H')).toBeNull();
  });
});
