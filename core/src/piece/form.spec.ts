import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { unrollForm } from '../score/index.js';
import { ticks } from '../time/index.js';
import { sayFault } from '../words/index.js';
import {
  addSection,
  formSigns,
  inOrder,
  makeStudy,
  readForm,
  renameInForm,
  renameSection,
  setChart,
  setForm,
  setTempo,
  type Study,
  unrolledOrder,
} from './index.js';

const four = cycleById('tangos')!;
const piece = (form: string): Study =>
  inOrder(
    renameSection('s-a', 'Intro'),
    addSection('t', 'Theme', four),
    addSection('f', 'First', four),
    addSection('n', 'Second', four),
    addSection('c', 'Coda', four),
    setChart('t', 'C | F | C | G'),
    setChart('c', 'C | .'),
    setTempo('s-a', 60),
    setTempo('t', 120),
    setForm(form),
  )(makeStudy('s', 'Study', four));
const names = (study: Study) =>
  unrollForm(study).parts.map((p) => study.sections.find((s) => s.id === p.section)?.name ?? '');
const FULL = 'Intro {Theme [1 First] [2 Second]}x2 Intro Coda';

describe('a form', () => {
  it('two endings and a coda unroll to the right order, bars and seconds', () => {
    const study = piece(FULL);
    const form = unrollForm(study);
    expect(form.faults).toEqual([]);
    expect(names(study)).toEqual(['Intro', 'Theme', 'First', 'Theme', 'Second', 'Intro', 'Coda']);
    expect(form.parts.map((p) => p.bars)).toEqual([1, 4, 1, 4, 1, 1, 2]);
    expect(form.bars).toBe(14);
    // Four counts a bar: the intro at 60, the theme at 120, the others at the cycle's usual tempo.
    const usual = four.tempo.usual;
    expect(form.seconds).toBeCloseTo(2 * 4 + 2 * 8 + 4 * ((60 / usual) * 4), 6);
  });
  it('without text is every section once, in order', () =>
    expect(names(piece(''))).toEqual(['Intro', 'Theme', 'First', 'Second', 'Coda']));
  it('an ending of several passes, and repeats in repeats', () => {
    expect(names(piece('{Theme [1,3 First] [2-2 Second]}x3'))).toEqual([
      'Theme',
      'First',
      'Theme',
      'Second',
      'Theme',
      'First',
    ]);
    expect(names(piece('{Intro {Theme}x2}x2'))).toHaveLength(6);
  });
  it('says on which count of its cycle a section starts when the counting goes on', () => {
    const buleria = cycleById('buleria')!;
    const study = inOrder(addSection('b', 'B', buleria), setForm('A B A'))(makeStudy('s', 'Study', buleria));
    const half = { ...study, sections: study.sections.map((s) => (s.name === 'A' ? { ...s, bars: null } : s)) };
    expect(unrollForm(half).parts.map((p) => p.startsOn)).toEqual(['12', '12', '12']);
    // A section of one bar and a half leaves the next one on 6.
    const bars = { ...buleria, bars: [ticks(6 * 5040), ticks(6 * 5040)] };
    const odd = { ...half, sections: half.sections.map((s) => ({ ...s, cycle: bars, bars: s.name === 'A' ? 3 : 2 })) };
    expect(unrollForm(odd).parts.map((p) => p.startsOn)).toEqual(['12', '6', '6']);
  });
  it('a figure of two bars is turned round behind an odd number of bars', () => {
    const study = makeStudy('s', 'S', cycleById('bossa-three-two'));
    const phases = (bars: number | null) => {
      const own = { ...study, sections: study.sections.map((x) => ({ ...x, bars })), form: '{A}x3' };
      return unrollForm(own).parts.map((p) => `${p.startsOn} of ${p.startsInBar}`);
    };
    expect(phases(3)).toEqual(['1 of 1', '1 of 2', '1 of 1']);
    expect(phases(4)).toEqual(['1 of 1', '1 of 1', '1 of 1']);
    expect(unrollForm(makeStudy('s', 'S', cycleById('vals'))).parts[0]?.startsInBar).toBeNull();
  });
  it.each([
    ['Bridge', /No section is called “Bridge”. There are Intro, Theme/],
    ['{Theme', /never closed/],
    ['Theme}', /Nothing is open/],
    ['{Theme}', /how often/],
    ['[1 First]', /An ending stands inside a repeat/],
    ['{Theme [x First]}x2', /“x” is no number of a pass/],
    ['{}x2', /Nothing stands between/],
    ['{{{{Theme}x64}x64}x64}x64', /more than 2048 sections/],
    ['"Theme', /quotation mark/],
  ])('%s is told in words', (form, words) =>
    expect(unrollForm(piece(form)).faults.map(sayFault).join(' ')).toMatch(words),
  );
  it('follows a section’s new name, and only where it is that name', () => {
    expect(renameSection('t', 'Main theme')(piece(FULL)).form).toBe(
      'Intro {"Main theme" [1 First] [2 Second]}x2 Intro Coda',
    );
    expect(renameInForm('A AA "A"', 'A', 'B b')).toBe('"B b" AA "B b"');
  });
  it('no text makes it throw or grow without end', () =>
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'AB{}[]x12," '), maxLength: 60 }), (form) => {
        const { items } = readForm(form, [
          { id: 'a', name: 'A' },
          { id: 'b', name: 'B' },
        ]);
        expect(unrolledOrder(items)?.length ?? 0).toBeLessThanOrEqual(2_048);
      }),
    ));
});

describe('signs at the edges of a section', () => {
  const sections = ['Intro', 'Theme', 'First', 'Second', 'Coda'].map((name) => ({ id: name[0]!, name }));
  const signs = (form: string, section: string) => {
    const found = formSigns(readForm(form, sections).items, section);
    return (
      found &&
      [
        found.opens ? '|:' : '',
        found.ending ? `[${found.ending.join()}` : '',
        found.closes ? `:|${found.closes}` : '',
        found.ends ? '||' : '',
      ]
        .filter(Boolean)
        .join(' ')
    );
  };
  it.each([
    ['Intro Theme', ['', '||']],
    ['{Theme}x2', [null, '|: :|2 ||']],
    ['{Intro Theme}x3 Coda', ['|:', ':|3', null, null, '||']],
    ['Intro {Theme [1 First] [2 Second]}x2 Coda', ['', '|:', '[1 :|2', '[2', '||']],
    ['{Theme [1,3 First] [2 Second]}x3', [null, '|:', '[1,3 :|3 ||', '[2 :|3']],
    ['{Theme [1 First] [2 Second]}x2', [null, '|:', '[1 :|2', '[2 ||']],
    ['{Theme [1 First] [2 Second] Coda}x2', [null, '|:', '[1 :|2', '[2', ':|2 ||']],
    ['{{Intro}x2 Theme}x2', ['|: :|2', ':|2 ||']],
    ['{Intro}x1 Theme', ['', '||']],
    ['Intro Theme Intro', ['', '']],
  ] as const)('%s', (form, expected) => expected.forEach((e, n) => expect(signs(form, sections[n]!.id)).toBe(e)));
  it('a section that never comes has none', () => expect(signs('Intro', 'C')).toBeNull());
});
