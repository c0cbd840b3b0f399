import fc from 'fast-check';
import { type AccentCycle, makeCycle } from '../cycle/index.js';
import { NODES } from '../instrument/index.js';
import type { Item, Pattern } from '../script/index.js';
import { type Finger, FINGERS, LEVELS, type Mark, MARKS, type Step, type Stop } from '../stroke/index.js';
import { STEPS_PER_COUNT, STRINGS } from '../time/index.js';

const RANGE = { from: 0, to: 0 };
const fingers = fc.subarray([...FINGERS], { minLength: 1, maxLength: 4 });

const marks = (allowed: readonly Mark[]) =>
  fc.subarray([...allowed]).map((list) => {
    const kept = list.filter(
      (m) => !((m === ',' && list.includes('!')) || (m === '~' && list.some((o) => "'x%".includes(o)))),
    );
    return MARKS.filter((m) => kept.includes(m));
  });
const without = (list: readonly Finger[], ...out: Mark[]) =>
  MARKS.filter((m) => !out.includes(m) && !(m === '*' && list.includes('a')));

const strum: fc.Arbitrary<Step> = fc
  .record({
    fingers,
    dir: fc.constantFrom('d' as const, 'u' as const),
    strings: fc.option(fc.subarray([...STRINGS], { minLength: 1 })),
  })
  .chain(({ fingers: f, dir, strings }) =>
    marks(without(f, '_')).map((m): Step => ({
      kind: 'stroke',
      fingers: f,
      dir,
      strings: strings && (dir === 'd' ? strings : [...strings].reverse()),
      marks: m,
    })),
  );
/** Frets for some of the strings, fingers rising with them. */
const stopsFor = (n: number) =>
  fc.array(
    fc.option(
      fc
        .record({ fret: fc.integer({ min: 0, max: 24 }), finger: fc.boolean() })
        .map(({ fret, finger }): Stop => ({ fret, ...(finger ? { finger: fret === 0 ? 0 : 1 } : {}) })),
    ),
    { minLength: n, maxLength: n },
  );
const oneFretAFinger = (stops: readonly (Stop | null)[]) =>
  new Set(stops.flatMap((s) => (s?.finger === 1 ? [s.fret] : []))).size < 2;
const stopped: fc.Arbitrary<Step> = fc.subarray([...STRINGS], { minLength: 1, maxLength: 4 }).chain((strings) =>
  fc
    .record({
      f: fc.subarray([...FINGERS], { minLength: strings.length, maxLength: strings.length }),
      stops: stopsFor(strings.length).filter((s) => s.some((x) => x !== null) && oneFretAFinger(s)),
    })
    .map(({ f, stops }): Step => ({ kind: 'stroke', fingers: f, dir: null, strings, stops, marks: [] })),
);
const pluck: fc.Arbitrary<Step> = fingers.chain((f) =>
  fc
    .record({
      strings: fc.oneof(
        fc.constant(null),
        fc.constant('treble' as const),
        fc.subarray([...STRINGS], { minLength: f.length, maxLength: f.length }),
      ),
      marks: marks(without(f, '_')),
    })
    .map((r): Step => ({ kind: 'stroke', fingers: f, dir: null, strings: r.strings, marks: r.marks })),
);
/** Marks of single strings, each with what it goes together with. */
const placeMarks = (n: number) =>
  fc
    .array(fc.constantFrom<Mark[]>([], ['!'], [','], ['~'], ['!', '~'], ['x'], ['%'], ['^'], ["'"]), {
      minLength: n,
      maxLength: n,
    })
    .filter((list) => n > 1 && list.some((m) => m.length > 0));
const markedPlaces: fc.Arbitrary<Step> = fc.subarray([...STRINGS], { minLength: 2, maxLength: 4 }).chain((strings) =>
  fc
    .record({
      f: fc.subarray([...FINGERS], { minLength: strings.length, maxLength: strings.length }),
      stops: stopsFor(strings.length).filter(oneFretAFinger),
      own: placeMarks(strings.length),
      marks: fc.constantFrom<Mark[]>([], ['!'], ['>'], ['^', '>']),
    })
    .map(({ f, stops, own, marks: all }): Step => ({
      kind: 'stroke',
      fingers: f,
      dir: null,
      strings,
      ...(stops.some((s) => s !== null) ? { stops } : {}),
      placeMarks: own,
      marks: all,
    })),
);
const chosen: fc.Arbitrary<Step> = fc.oneof(
  fc
    .constantFrom('fifth' as const, 'lead' as const, 'bass' as const)
    .map((strings): Step => ({ kind: 'stroke', fingers: ['p'], dir: null, strings, marks: ['~'] })),
  fc.integer({ min: 2, max: 5 }).map((n): Step => ({
    kind: 'stroke',
    fingers: FINGERS.slice(0, n),
    dir: null,
    strings: `bass ${n}` as 'bass 2',
    marks: ['>'],
  })),
);
const plectrum: fc.Arbitrary<Step> = fc
  .record({
    way: fc.constantFrom('d' as const, 'u' as const, 'w' as const),
    strings: fc.option(fc.constantFrom(...STRINGS).map((s) => [s])),
  })
  .map(({ way, strings }): Step => ({
    kind: 'stroke',
    fingers: [],
    plectrum: way,
    dir: way === 'u' ? 'u' : 'd',
    strings,
    marks: ['!'],
  }));
const toWorkOut: fc.Arbitrary<Step> = fc
  .subarray([...STRINGS], { minLength: 1, maxLength: 3 })
  .map((strings): Step => ({ kind: 'stroke', fingers: [], open: strings.length, dir: null, strings, marks: [] }));
const ligado: fc.Arbitrary<Step> = fc
  .record({ string: fc.constantFrom(...STRINGS), fret: fc.option(fc.integer({ min: 0, max: 24 })) })
  .map(({ string, fret }): Step => ({ kind: 'ligado', string, stop: fret === null ? null : { fret }, marks: [] }));
const tapping: fc.Arbitrary<Step> = fc.constantFrom<Step>(
  { kind: 'stroke', fingers: ['p'], dir: null, strings: [5], marks: ['*'], golpe: 'm' },
  { kind: 'stroke', fingers: ['a'], dir: 'd', strings: null, marks: ['*'], golpe: 'e' },
);
const harmonic: fc.Arbitrary<Step> = fc
  .record({ string: fc.constantFrom(...STRINGS), fret: fc.constantFrom(...NODES), rings: fc.boolean() })
  .map(({ string, fret, rings }): Step => ({
    ...({ kind: 'stroke', fingers: ['a'], dir: null, strings: [string], stops: [{ fret }] } as const),
    marks: rings ? ['~', 'o'] : ['o'],
  }));
const step: fc.Arbitrary<Step> = fc.oneof(
  strum,
  harmonic,
  pluck,
  stopped,
  markedPlaces,
  chosen,
  plectrum,
  toWorkOut,
  ligado,
  tapping,
  fc.constantFrom<Step>({ kind: 'rest' }, { kind: 'hold' }, { kind: 'ghost', dir: 'd' }, { kind: 'ghost', dir: 'u' }),
  fc.constantFrom<Step>({ kind: 'golpe', marks: ['!'] }, { kind: 'golpe', marks: [] }, { kind: 'slap', marks: [','] }),
);
const stepItem = step.map((s): Item => ({ kind: 'step', step: s, range: RANGE }));
const nested = fc.letrec<{ item: Item }>((tie) => ({
  item: fc.oneof(
    { depthSize: 'small' },
    stepItem,
    fc.constantFrom(...LEVELS).map((level): Item => ({ kind: 'level', level, range: RANGE })),
    fc
      .record({ items: fc.array(stepItem, { minLength: 2, maxLength: 5 }), steps: fc.integer({ min: 1, max: 4 }) })
      .map((g): Item => ({ kind: 'group', ...g, range: RANGE })),
    fc
      .record({
        items: fc.tuple(stepItem, fc.array(tie('item'), { maxLength: 2 })).map(([a, b]) => [a, ...b]),
        times: fc.integer({ min: 1, max: 3 }),
      })
      .map((r): Item => ({ kind: 'repeat', ...r, range: RANGE })),
  ),
}));

/** Patterns of every kind of item that a script can hold (bars are laid by hand: they need a cycle). */
export const anyPattern: fc.Arbitrary<Pattern> = fc.record({
  items: fc.tuple(stepItem, fc.array(nested.item, { maxLength: 7 })).map(([a, b]) => [a, ...b]),
  stepsPerCount: fc.constantFrom(1, 2, 4),
});

/** A row of n plain strokes, one step each. */
export const strokesOf = (n: number): string =>
  Array.from({ length: n }, (_, i) => ['p', 'i', 'm', 'a'][i % 4]).join(' ');

export const anyCycle: fc.Arbitrary<AccentCycle> = fc.integer({ min: 1, max: 64 }).map((counts) =>
  makeCycle({
    id: 'any',
    name: 'Any',
    family: 'tango',
    counts,
    accents: [[0, 1]],
    groups: [counts],
    countNote: 'eighth',
    tempo: [60, 90, 120],
  }),
);
export const anySteps = fc.constantFrom(...STEPS_PER_COUNT);

/** The same items with every place in the text taken away, to compare what is said rather than where. */
export const withoutRanges = (items: readonly Item[]): unknown =>
  items.map((i) => ('items' in i ? { ...i, range: RANGE, items: withoutRanges(i.items) } : { ...i, range: RANGE }));

const figure = (letters: readonly string[], times: number) =>
  Array.from({ length: times }, () => letters.join(' ')).join(' ');
const setOf = fc.constantFrom([4, 3, 2], [3, 2, 1]);
const times = fc.integer({ min: 1, max: 4 });
const orderOf = <T>(list: readonly T[]) => fc.shuffledSubarray([...list], { minLength: list.length });

/** Scripts of one kind of playing each, as players write them. */
export const SCRIPTS_OF = {
  arpeggio: fc.tuple(setOf, orderOf([0, 1, 2]), fc.constantFrom('4', '5', '6', ''), times).map(([set, order, p, n]) => {
    const fingersOn = order.map((i) => `${'ima'[i] ?? 'i'}:${set[i] ?? 3}`);
    return figure([...(p && Number(p) > (set[0] ?? 0) ? [`p:${p}`] : []), ...fingersOn], n);
  }),
  picado: fc
    .tuple(fc.constantFrom('im', 'ma', 'ia', 'ami'), fc.array(fc.constantFrom(1, 2, 3), { minLength: 2, maxLength: 5 }))
    .map(([pair, strings]) =>
      strings
        .flatMap((s) => [s, s, s])
        .map((s, i) => `${pair[i % pair.length] ?? 'i'}:${s}_`)
        .join(' '),
    ),
  tremolo: fc
    .tuple(fc.constantFrom('ami', 'iami', 'mi', 'amiami'), fc.constantFrom(4, 5, 6), fc.constantFrom(1, 2), times)
    .map(([order, p, s, n]) => figure([`p:${p}`, ...[...order].map((f) => `${f}:${s}`)], n)),
  rasgueado: fc
    .tuple(
      fc.constantFrom('ed ad md id', 'ed ad md id iu', 'ad md id iu', 'md id iu', 'pu md pd', 'ed md ed md'),
      times,
    )
    .map(([cell, n]) => figure([cell], n)),
  swing: fc
    .tuple(fc.constantFrom('id iu', 'pd pu', 'id (u) id iu', 'iu id'), times)
    .map(([cell, n]) => figure([cell], n)),
  muted: fc
    .tuple(fc.constantFrom('idx iux', 'idx iux id iux', 'adx mdx idx iux'), times)
    .map(([cell, n]) => figure([cell], n)),
  comping: fc
    .tuple(fc.constantFrom('p:b ima:t', 'p:b ima:t - ima:t', 'pima:t - p:b ima:t', 'p:5 im:32 p:4 im:32'), times)
    .map(([cell, n]) => figure([cell], n)),
  'pedal weave': fc
    .array(fc.constantFrom(6, 5, 4), { minLength: 2, maxLength: 6 })
    .map((basses) => basses.map((b) => `p:${b} i:2~`).join(' ')),
  'melody over basses': fc
    .array(fc.tuple(fc.constantFrom(6, 5, 4), fc.constantFrom(1, 2, 3)), { minLength: 3, maxLength: 6 })
    .map((bars) => bars.map(([b, s]) => `p:${b} m:${s}f2 i:${s}f3 m:${s}f5`).join(' ')),
  pulgar: fc.constantFrom('p:6_ p:5_ p:4_', 'pd:54 pu:45 p:3_', 'pd pu p:4_'),
  plectrum: fc.constantFrom('Pd:3 Pu:3 Pd:2 Pu:2', 'P:5 Pw:5 P:6', 'Pd:1 Pu:1 Pd:1 Pu:1'),
};
