import { acts } from '../words/acts';
import { PLACES } from '../shell/places';
import { ACTS, actsOf, panelLetters, SCOPES } from './acts';

describe('the table of acts', () => {
  it('has every act once, with a name and a key', () => {
    expect(new Set(ACTS.map((a) => a.id)).size).toBe(ACTS.length);
    for (const { id, keys } of ACTS) expect([acts.names[id], keys.length > 0], id).toEqual([expect.any(String), true]);
  });
  it('no key means two things in one place, but while a hand is measured', () => {
    for (const scope of SCOPES) {
      const keys = actsOf(scope)
        .filter((a) => a.id !== 'measured')
        .flatMap((a) => a.keys);
      expect(
        keys.filter((k, n) => keys.indexOf(k) !== n),
        scope,
      ).toEqual([]);
    }
  });
  it('only digits, Escape, Enter and letters of the place itself hide what holds everywhere', () => {
    const everywhere = actsOf('everywhere').flatMap((a) => a.keys);
    for (const { scope, id, keys } of ACTS)
      if (scope !== 'everywhere' && id !== 'measured')
        for (const k of keys) expect(!everywhere.includes(k) || /^(\d|Escape|Enter)$/.test(k), `${id} ${k}`).toBe(true);
  });
  it('every place has its key, and 5 is free', () => {
    expect(PLACES.map((p) => p.key)).toEqual(['1', '2', '3', '4', '6', '7']);
    expect(actsOf('everywhere').flatMap((a) => a.keys)).not.toContain('5');
  });
  it('panels have letters, in the order of their tabs', () =>
    expect([panelLetters('wheel'), panelLetters('neck'), panelLetters('weave')]).toEqual([
      'wrfnthy',
      'hfrm',
      'htobfxky',
    ]));
});
