import { heldChords } from '../../chart/index.js';
import { cycleLength, placeLabel } from '../../cycle/index.js';
import { readChord } from '../../chord/index.js';
import { fretsText, handOn, reachFault, type Shape } from '../../left-hand/index.js';
import { neckOf } from '../../player/index.js';
import { sayRightHand } from './right-hand.js';
import type { PlacedChange } from '../../score/index.js';
import { easier } from '../../solve/voicings/index.js';
import type { Finding, FindingMatter } from './finding.js';
import { sayFact } from './facts.js';
import { listed, plural, sayMotion } from './strokes.js';
import { sayStrings, sayTones } from './tones.js';
import { CHORDAL } from '../../right-hand/index.js';

/** What the left hand's shapes ask: of the right hand, of the barre, of the reach. */
export const leftHandFindings = (m: FindingMatter): Finding[] => [
  ...block(m),
  ...sounds(m),
  ...ties(m),
  ...barre(m),
  ...spans(m),
];

/** Where the right hand goes along with the chord, and where the script makes it stay behind. */
function block({ changes }: FindingMatter): Finding[] {
  const told = [...changes]
    .sort((a, b) => a.at - b.at)
    .flatMap((c) => {
      const said = sayRightHand(c.rightHand);
      return said.length
        ? [
            {
              slips: slips(c),
              line: `${c.from.name} → ${c.to.name} on ${c.label}: ${said.join(' ').replace(MOVES, '')}`,
            },
          ]
        : [];
    });
  if (told.length === 0) return [];
  const slip = told.some((t) => t.slips);
  const more = told.length - SHOWN_MOVES;
  return [
    {
      id: 'block',
      tone: slip ? 'watch' : 'plain',
      title: slip ? 'The right hand stays behind a chord' : 'The right hand moves with the chords',
      lines: [
        // Slips first.
        ...[...told]
          .sort((a, b) => Number(b.slips) - Number(a.slips))
          .slice(0, SHOWN_MOVES)
          .map((t) => t.line),
        ...(more > 0 ? [`And at ${plural(more, 'change')} more: Neck, Changes.`] : []),
      ],
    },
  ];
}
const SHOWN_MOVES = 4;
/** The title says it already. */
const MOVES = /^The right hand moves: /;
const slips = ({ rightHand: r }: PlacedChange) => r.leftOut.length > 0 || r.offBass !== null;

/** Chords that do not sound as they are called. */
function sounds({ chordSounds, section, idiom }: FindingMatter): Finding[] {
  const { cycle } = section;
  const told = (
    id: Finding['id'],
    title: string,
    line: (c: FindingMatter['chordSounds'][number]) => string,
    remedy: string,
  ): Finding[] => {
    const lines = chordSounds.map(line).filter((l) => l !== '');
    const more = lines.length - SHOWN_MOVES;
    return lines.length === 0
      ? []
      : [
          {
            id,
            tone: 'watch',
            title,
            lines: [
              ...lines.slice(0, SHOWN_MOVES),
              ...(more > 0 ? [`And ${plural(more, 'chord')} more.`] : []),
              remedy,
            ],
          },
        ];
  };
  return [
    ...told(
      'struck',
      'A string is struck that the shape mutes',
      ({ name, muted }) =>
        muted.length
          ? `${name}: ${sayStrings(muted.map((m) => m.string))}, first on ${placeLabel(cycle, muted[0]?.at ?? 0)}.`
          : '',
      'Write p:b and ima:t, and the fingers take the strings that sound; or choose a shape that has them.',
    ),
    ...told(
      'tones',
      'A chord does not show what it is',
      ({ name, unheard }) =>
        unheard.length && CHORDAL.has(idiom) ? `${name}: its ${sayTones(unheard)} is on no string that is struck.` : '',
      'Strike one string more, or choose a shape that has it there.',
    ),
    ...told(
      'name',
      'A name that its notes do not bear out',
      ({ name, foreign, lacking }) =>
        foreign.length
          ? `${name}: what is on ${sayStrings(foreign)} is no tone of it.`
          : lacking.length
            ? `${name}: its ${sayTones(lacking)} is on none of its strings.`
            : '',
      'Call it otherwise, or mend the shape.',
    ),
  ];
}

/** Strokes that are held on while the chord changes under them. */
function ties({ heldOver, score, section }: FindingMatter): Finding[] {
  const { cycle } = section;
  const length = cycleLength(cycle);
  // The same stroke into the same chord is one matter, however often it comes.
  const places = new Map<string, string>();
  for (const { event, chord } of heldOver) {
    const e = score.events[event];
    const into = score.chords[chord]?.name || 'open strings';
    if (!e) continue;
    const key = `${e.slot} ${into}`;
    const where = `${sayMotion(e.motion)} on ${placeLabel(cycle, e.at % length)} goes on into ${into}`;
    if (!places.has(key)) places.set(key, where);
  }
  const told = [...places.values()];
  if (told.length === 0) return [];
  const more = told.length - SHOWN_MOVES;
  return [
    {
      id: 'tie',
      tone: 'watch',
      title: told.length === 1 ? 'A stroke is held over a change' : 'Strokes are held over changes',
      lines: [
        ...told.slice(0, SHOWN_MOVES).map((t) => `${t}.`),
        ...(more > 0 ? [`And ${more} more.`] : []),
        'If it belongs to the coming chord already, write > after it; if it ends there, ^ lets it go.',
      ],
    },
  ];
}

/** A barre held for less than this share of what the hand can is nothing to think of. */
const WORTH_SAYING = 0.2;
/** How long the barre that asks most is held. */
function barre({ barres, section }: FindingMatter): Finding[] {
  const [most] = barres;
  if (!most || (most.ms !== null && most.ms < most.staminaMs * WORTH_SAYING)) return [];
  const seconds = (ms: number) => `${(ms / 1000).toFixed(1)} s`;
  const over = most.ms === null || most.ms > most.staminaMs;
  const who = `${listed(most.names)}, over ${plural(most.strings, 'string')}`;
  return [
    {
      id: 'barre',
      tone: over ? 'watch' : 'plain',
      title:
        most.ms === null
          ? 'The barre is never let go'
          : over
            ? 'A barre is held longer than this hand can'
            : `Barre held ${seconds(most.ms)} at most`,
      lines: [
        `${who}${most.ms === null ? '' : `: ${seconds(most.ms)} at ${section.bpm}`}; this hand’s is ${seconds(most.staminaMs)}.`,
        ...(over ? ['Let it go between, keep it to few minutes at a time, and stop at pain.'] : []),
      ],
    },
  ];
}

function spans(m: FindingMatter): Finding[] {
  const { section, shapes, capo, profile } = m;
  const hand = handOn(neckOf(profile, capo), profile);
  const called = new Set(heldChords(section, shapes).map((c) => c.shape));
  const used = shapes.filter((s) => called.has(s));
  return used.flatMap((shape): Finding[] => {
    const fault = reachFault(shape, hand);
    return fault
      ? [
          {
            id: 'span',
            tone: 'late',
            title: `${shape.name}: not for this hand`,
            lines: [sayFact(fault), instead(m, shape)],
          },
        ]
      : [];
  });
}

/** The best substitute for a shape that is too wide, when its name is a chord symbol. */
function instead({ tuning, capo, profile }: FindingMatter, shape: Shape): string {
  const chord = shape.name.replace(/\s/g, '');
  const elsewhere = 'Neck, Find has easier ones; a capo brings the frets closer.';
  if (!readChord(chord).ok) return elsewhere;
  const key = JSON.stringify([chord, shape.frets, shape.fingers, tuning, capo, profile]);
  const known = substitutes.get(key);
  if (known !== undefined) return known;
  const best = easier({ chord, tuning, neck: neckOf(profile, capo), profile }, shape)[0];
  const lost = best?.lost.length ? `, without ${listed(best.lost.map(sayFact))}` : '';
  const said = best ? `Instead: ${best.chord} ${fretsText(best.shape)}${lost}.` : elsewhere;
  if (substitutes.size >= MOST_KEPT) substitutes.clear();
  substitutes.set(key, said);
  return said;
}
/** Looking for substitutes takes longer than all other findings: what was found is kept while the script is typed. */
const substitutes = new Map<string, string>();
const MOST_KEPT = 32;
