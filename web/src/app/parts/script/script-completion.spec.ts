import { describe, expect, it } from 'vitest';
import { scriptCompletion } from './script-completion';

const complete = scriptCompletion(() => [{ name: 'roll', script: 'ed ad md id' }]);
const offered = (before: string) => {
  const found = complete(before);
  return found && { ...found, offers: found.offers.map((o) => o.text) };
};

describe('what could come next in a script', () => {
  it('cells of the study behind <, at once', () =>
    expect(offered('id <r')).toEqual({ from: 4, offers: ['roll>'], unasked: true }));
  it('strings behind the colon of a stroke, at once; while a letter is typed on, only when asked', () => {
    expect(offered('ima:')).toMatchObject({ from: 4, unasked: true });
    expect(offered('ima:')?.offers).toEqual(expect.arrayContaining(['b', 't', 'f', 'n', 'b3']));
    expect(offered('ima:t')).toMatchObject({ from: 4, unasked: false });
    // Behind a number come marks, and what stands behind a bracket is no string.
    expect(offered('p:5')?.offers).toContain('~');
    expect(offered('[id iu]:')?.offers ?? []).not.toContain('t');
  });
  it('levels behind @, at once', () =>
    expect(offered('p i @')).toEqual({ from: 5, offers: ['pp', 'p', 'mp', 'mf', 'f', 'ff'], unasked: true }));
  it('marks behind a stroke and strokes where one begins, when asked', () => {
    expect(offered('p i')).toMatchObject({ from: 3, unasked: false });
    expect(offered('p i')?.offers).toEqual(['!', ',', '*', '_', '~', "'", '^', 'x', '%', '>', 'o']);
    expect(offered('p i ')).toMatchObject({ from: 4, unasked: false });
    expect(offered('')?.offers).toEqual(expect.arrayContaining(['p', 'id', 'ima:t', 'G']));
  });
  it('nothing in the middle of something else', () => expect(offered('zz')).toBeNull());
});
