import type { Motion } from '../stroke/index.js';
import { isSingle } from './strings.js';
import type { Kind, PassageNote, PassageReading, PassageVoice } from './model.js';

/** Notes beside one another that are plucked and read by their voices, or that a kind of stroke tells what they are. */
export interface StrokePart {
  readonly notes: readonly PassageNote[];
  readonly kind: Kind | 'plucked';
}
/** So many plucks beside strums are part of their rhythm; of a thumb that strums by itself a few more. */
const LONE_PLUCKS = 2;
const LONE_BY_THUMB = 4;

/**
 * How a stroke is struck where it is no pluck: down or up by these fingers, or with a plectrum.
 * @example struckAs({ kind: 'stroke', fingers: ['i'], dir: 'd', strings: null, marks: [] }).strum?.way // 'd'
 */
export function struckAs(motion: Motion): Pick<PassageNote, 'strum' | 'plectrum'> {
  if (motion.kind !== 'stroke') return {};
  if (motion.plectrum) return { plectrum: true };
  return motion.dir ? { strum: { way: motion.dir, fingers: motion.fingers } } : {};
}

const isThumbs = ({ strum, pinned, strings }: PassageNote): boolean =>
  strum ? strum.fingers.join() === 'p' : strings.length === 1 && pinned?.join() === 'p';

/**
 * A passage cut where plucks, strums and plectrum meet. A few plucks among strums go with them: comping, or the thumb's
 * single strokes between its sweeps.
 */
export function strokeParts(notes: readonly PassageNote[]): StrokePart[] {
  type Way = 'plucked' | 'strummed' | 'plectrum';
  const wayOf = (n: PassageNote): Way => (n.plectrum ? 'plectrum' : n.strum ? 'strummed' : 'plucked');
  const runs: { way: Way; notes: PassageNote[] }[] = [];
  for (const note of notes) {
    const last = runs.at(-1);
    if (last?.way === wayOf(note)) last.notes.push(note);
    else runs.push({ way: wayOf(note), notes: [note] });
  }
  const parts: { way: Way; notes: PassageNote[] }[] = [];
  runs.forEach((run, n) => {
    const beside = [runs[n - 1], runs[n + 1]].filter((r) => r?.way === 'strummed');
    const thumb = beside.every((r) => r?.notes.every(isThumbs)) && run.notes.every(isThumbs);
    const lone =
      run.way === 'plucked' && beside.length > 0 && run.notes.length <= (thumb ? LONE_BY_THUMB : LONE_PLUCKS);
    const way = lone ? 'strummed' : run.way;
    const last = parts.at(-1);
    if (last?.way === way) last.notes.push(...run.notes);
    else parts.push({ way, notes: [...run.notes] });
  });
  return parts.map(({ way, notes: own }) => ({ notes: own, kind: way === 'strummed' ? kindOfStrums(own) : way }));
}

function kindOfStrums(notes: readonly PassageNote[]): Kind {
  const strums = notes.flatMap((n) => n.strum ?? []);
  const plucks = notes.length > strums.length;
  if (notes.every(isThumbs)) {
    // The thumb comes back up through strings and goes on from a single one.
    const single = plucks || notes.some((n) => n.strum && isSingle(n));
    return single && strums.some((s) => s.way === 'u') ? 'alzapúa' : plucks ? 'comping' : 'strum';
  }
  if (plucks) return 'comping';
  return new Set(strums.map((s) => s.fingers.join())).size > 1 ? 'rasgueado' : 'strum';
}

/** What is read of notes whose kind their strokes tell: the thumb's plucks are basses, a plectrum has one voice. */
export function readByStroke(notes: readonly PassageNote[], kind: Kind, free: boolean): PassageReading {
  const bass = notes.map((n) => kind === 'alzapúa' || (!n.strum && n.pinned?.[0] === 'p'));
  return {
    voices: notes.map((n, i): PassageVoice[] =>
      n.strings.map((_, at): PassageVoice =>
        kind === 'alzapúa' || (at === 0 && bass[i]) ? 'bass' : kind === 'plectrum' ? 'melody' : 'inner',
      ),
    ),
    bass,
    stretches: [{ kind, from: 0, to: notes.length, free }],
    kinds: notes.map(() => kind),
    sets: notes.map(() => 0),
    groups: notes.map(() => null),
    figures: [0],
  };
}
