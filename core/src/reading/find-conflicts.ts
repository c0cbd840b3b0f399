import { cycleLength, placeLabel } from '../cycle/index.js';
import { fact } from '../fault/index.js';
import { apart, fretWidth, touchPoint } from '../instrument/index.js';
import { handOn, reachFault, type Shape } from '../left-hand/index.js';
import type { Section, Study } from '../piece/index.js';
import { type HandProfile, isLate, leftHandOf, moveMs, neckOf, roomOf } from '../player/index.js';
import { CHORDAL, handLoad, idiomOf, tightestPlace } from '../right-hand/index.js';
import { type Borrowed, chordSounds, heldOver, playedUnder, type Score, sectionChanges } from '../score/index.js';
import type { FlatPattern, Pattern } from '../script/index.js';
import { bpm, millisOf, STRINGS, ticks } from '../time/index.js';
import type { Conflict } from './conflict.js';
import { readNames } from './read-section.js';
import type { ReadingRequest } from './reading-request.js';
import { workedScore } from './worked-score.js';

/** A conflict before remedies are looked for, with what they are made of. */
export interface BareConflict extends Omit<Conflict, 'remedies'> {
  /** Two of the same matter have the same key. */
  readonly key: string;
  /** Its stroke's slot in the pattern. */
  readonly slot?: number;
  readonly shape?: Shape;
  /** The tempo at which it would be in time. */
  readonly bpm?: number;
}
/** A section as conflicts are looked for in it. */
export interface ReadForConflicts {
  readonly section: Section;
  readonly written: Pattern;
  readonly flat: FlatPattern;
  readonly score: Score;
  /** Strings that are struck under each chord, by its name. */
  readonly played: ReadonlyMap<string, readonly number[]>;
  readonly found: readonly BareConflict[];
}

/** Everything that stands against a section, as it comes. */
export function findConflicts(study: Study, section: Section, profile: HandProfile): ReadForConflicts {
  const { tuning, capo } = study.instrument;
  const request: ReadingRequest = { section, shapes: study.shapes, tuning, capo, profile, called: study.cells };
  const { written, faults, flat, score } = workedScore(request);
  const { chartFaults } = readNames(section, study.shapes);
  const place = (at: number): Pick<Conflict, 'section' | 'at' | 'bar' | 'label'> => ({
    section: section.id,
    at: ticks(at),
    bar: Math.max(
      0,
      score.bars.findIndex((b) => at >= b.at && at < b.at + b.length),
    ),
    label: placeLabel(section.cycle, at % cycleLength(section.cycle)),
  });
  const played = playedUnder(score);
  const base = { section, written, flat, score, played };
  const textFaults: BareConflict[] = [
    ...faults.map((f) => ({ ...place(0), ...fact('script unread'), key: `script ${f.code} ${f.from}`, fault: f })),
    ...chartFaults.map((f) => ({ ...place(0), ...fact('chart unread'), key: `chart ${f.code} ${f.from}`, fault: f })),
  ];
  // What can't be read whole is mended first: half of it says little.
  if (faults.length) return { ...base, found: textFaults };
  return {
    ...base,
    found: [
      ...textFaults,
      ...outOfReach(study, score, profile, place),
      ...lateChanges(section, score, profile, place),
      ...lateFingers(section, flat, score, profile, place),
      ...fingersAway(section, score, profile, place),
      ...ties(score, place),
      ...sounds(score, flat, place),
    ],
  };
}
type Place = (at: number) => Pick<Conflict, 'section' | 'at' | 'bar' | 'label'>;

function outOfReach({ instrument }: Study, { chords }: Score, profile: HandProfile, place: Place): BareConflict[] {
  const hand = handOn(neckOf(profile, instrument.capo), profile);
  const seen = new Set<string>();
  return chords.flatMap(({ shape, name, at, known }): BareConflict[] => {
    if (!known || seen.has(name)) return [];
    seen.add(name);
    const because = reachFault(shape, hand);
    return because ? [{ ...place(at), ...fact('out of reach', name), because, key: `reach ${shape.id}`, shape }] : [];
  });
}

function lateChanges(section: Section, score: Score, profile: HandProfile, place: Place): BareConflict[] {
  return sectionChanges(section, score, profile).flatMap((c): BareConflict[] => {
    const tight = c.sequential;
    if (!tight || !isLate(tight)) return [];
    const { finger, thereMs, neededMs } = tight;
    return [
      {
        ...place(c.at),
        ...fact('change late', c.from.name, c.to.name, finger, Math.round(thereMs), Math.round(neededMs)),
        key: `change ${c.from.id} ${c.to.id}`,
        bpm: (section.bpm * thereMs) / neededMs,
      },
    ];
  });
}

function lateFingers(
  section: Section,
  flat: FlatPattern,
  { events }: Score,
  profile: HandProfile,
  place: Place,
): BareConflict[] {
  const load = handLoad(flat, bpm(section.bpm), profile);
  if (load.ceiling === null || roomOf(section.bpm / load.ceiling) !== 'late') return [];
  const tight = tightestPlace(load);
  const event = events.find((e) => e.slot === tight?.slot);
  return [
    {
      ...place(event?.at ?? 0),
      ...fact('finger late', Math.floor(load.ceiling), section.bpm),
      key: 'finger',
      bpm: load.ceiling,
    },
  ];
}

/** What a borrowed finger needs for its way home. */
function wayHome({ to, from, finger }: Borrowed, shape: Shape, profile: HandProfile, capo: number): number {
  const neck = neckOf(profile, capo);
  const home = from[0] ?? to.string;
  const fret = shape.frets[STRINGS.indexOf(home)] ?? 0;
  if (finger === 0 || fret === 0) return 0;
  const mm = apart(touchPoint(to.string, to.fret, neck), touchPoint(home, fret, neck));
  return moveMs(mm, fretWidth(fret, neck), leftHandOf(profile));
}
/** A finger that is not back in time even if it leaves its note as soon as that has sounded. */
function fingersAway(section: Section, score: Score, profile: HandProfile, place: Place): BareConflict[] {
  const began = new Map<
    string,
    { readonly at: number; readonly due: number; readonly b: Borrowed; readonly chord: number }
  >();
  for (const { at, borrowed, chord } of score.grips)
    for (const b of borrowed) {
      const key = `${chord} ${b.finger} ${b.to.string} ${b.to.fret} ${b.due}`;
      if (b.due !== null && !began.has(key)) began.set(key, { at, due: b.due, b, chord });
    }
  const worst = new Map<string, { conflict: BareConflict; share: number }>();
  for (const { at, due, b, chord } of began.values()) {
    const held = score.chords[chord];
    if (!held) continue;
    const thereMs = millisOf(ticks(due - at), bpm(section.bpm));
    const neededMs = wayHome(b, held.shape, profile, score.instrument.capo);
    const key = `away ${held.shape.id} ${b.finger} ${b.to.string} ${b.to.fret}`;
    const share = thereMs / neededMs;
    if (!isLate({ neededMs, thereMs }) || (worst.get(key)?.share ?? Infinity) <= share) continue;
    const about = [b.finger, b.to.string, b.to.fret, held.name, Math.round(thereMs), Math.round(neededMs)];
    const conflict = { ...place(due), ...fact('finger away', ...about), key, bpm: section.bpm * share };
    worst.set(key, { conflict, share });
  }
  return [...worst.values()].map((w) => w.conflict);
}

function ties(score: Score, place: Place): BareConflict[] {
  const seen = new Set<string>();
  return heldOver(score).flatMap(({ event, chord }): BareConflict[] => {
    const e = score.events[event];
    const [from, into] = [score.chords[e?.chord ?? 0]?.name, score.chords[chord]?.name];
    // The same stroke into the same chord is one matter, however often it comes.
    const key = `tie ${e?.slot ?? ''} ${into ?? ''}`;
    if (!e || seen.has(key)) return [];
    seen.add(key);
    return [{ ...place(e.at), ...fact('held over', from ?? '', into ?? ''), key, slot: e.slot }];
  });
}

function sounds(score: Score, flat: FlatPattern, place: Place): BareConflict[] {
  const chordal = CHORDAL.has(idiomOf(flat));
  return chordSounds(score).flatMap(({ name, muted, unheard, lacking, foreign }): BareConflict[] => {
    const chord = score.chords.find((c) => c.name === name);
    if (!chord) return [];
    const own = { shape: chord.shape };
    const found: BareConflict[] = [];
    const [first] = muted;
    if (first)
      found.push({
        ...place(first.at),
        ...fact('string muted', name, ...muted.map((m) => m.string)),
        key: `muted ${name}`,
        ...own,
      });
    if (unheard.length && chordal)
      found.push({ ...place(chord.at), ...fact('tone unheard', name, ...unheard), key: `unheard ${name}`, ...own });
    if (foreign.length || lacking.length)
      found.push({
        ...place(chord.at),
        ...fact('name not borne out', name, foreign.join(' '), ...lacking),
        key: `name ${name}`,
        ...own,
      });
    return found;
  });
}
