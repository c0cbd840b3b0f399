import { placeLabel } from '../../cycle/index.js';
import type { NotPlanted, PendulumPlace } from '../../right-hand/index.js';
import { fingersOf } from '../../stroke/index.js';
import { TICKS_PER_COUNT } from '../../time/index.js';
import { ceiling } from './ceiling.js';
import { aboutSlot, type Finding, type FindingMatter } from './finding.js';
import { leftHandFindings } from './left-hand-findings.js';
import { listed, ordinal, plural, sayMet, sayMotion, WAY } from './strokes.js';

/** What there is to say about a section, in sentences, in the order in which a player asks. */
export function sayFindings(m: FindingMatter): Finding[] {
  if (m.flat.events.length === 0) return [];
  return [ceiling(m), comesRound(m), ...accents(m), anotherStart(m), hand(m), plants(m), ...leftHandFindings(m)].filter(
    (f): f is Finding => f !== null,
  );
}

const counts = (ticks: number): string => {
  const n = Math.round((ticks / TICKS_PER_COUNT) * 100) / 100;
  return `${n} count${n === 1 ? '' : 's'}`;
};

function comesRound({ layout, flat, section }: FindingMatter): Finding {
  const { patternPasses, cycles } = layout.realign;
  const steps = plural(flat.slots.length, 'step');
  return {
    id: 'round',
    tone: 'plain',
    title: cycles === 1 ? 'Comes round every turn' : `Comes round after ${cycles} turns`,
    lines: [
      `${plural(patternPasses, 'pass').replace('passs', 'passes')} of ${steps} (${counts(layout.patternLength)}) over ${plural(section.cycle.counts, 'count')} a turn.`,
      ...(layout.truncated ? [`The first ${layout.turns} turns are shown.`] : []),
    ],
  };
}

/** “3 and 6 in turn 2, 10 in turns 1, 3 and 5”: places gathered by the turns they come in. */
function placesByTurn(list: readonly { label: string; turn: number }[], turns: number): string {
  const byLabel = new Map<string, number[]>();
  for (const m of list) byLabel.set(m.label, [...(byLabel.get(m.label) ?? []), m.turn + 1]);
  const byTurns = new Map<string, string[]>();
  for (const [label, at] of byLabel) {
    const key =
      at.length === turns
        ? turns === 1
          ? ''
          : ' in every turn'
        : ` in turn${at.length === 1 ? '' : 's'} ${listed(at.map(String))}`;
    byTurns.set(key, [...(byTurns.get(key) ?? []), label]);
  }
  return [...byTurns].map(([key, labels]) => listed(labels) + key).join('; ');
}

function accents({ layout, section }: FindingMatter): Finding[] {
  const first = layout.meetings.filter((m) => m.turn === 0);
  if (first.length === 0) return [];
  const found: Finding[] = [
    {
      id: 'accents',
      tone: 'plain',
      title: layout.turns === 1 ? 'Accents' : 'Accents in turn 1',
      lines: [first.map((m) => `${m.label} ${sayMet(m.by)}`).join(' · ')],
    },
  ];
  const weak = layout.meetings.filter((m) => m.weak);
  if (weak.length > 0) {
    const who = new Map<string, { label: string; turn: number }[]>();
    for (const m of weak) who.set(sayMet(m.by), [...(who.get(sayMet(m.by)) ?? []), m]);
    found.push({
      id: 'weak',
      tone: 'watch',
      title: `${weak.length} of ${layout.meetings.length} accents fall on a weak stroke`,
      lines: [...who].map(([by, list]) => `${by} carries ${placesByTurn(list, layout.turns)}.`),
    });
  } else if (layout.missed.length === 0) {
    found.push({
      id: 'weak',
      tone: 'good',
      title: 'Every accent is carried',
      lines: [`All ${section.cycle.accents.length} accents meet a strong stroke in every turn.`],
    });
  }
  if (layout.missed.length > 0)
    found.push({
      id: 'missed',
      tone: 'watch',
      title: `Nothing meets ${plural(layout.missed.length, 'accent')}`,
      lines: [`Silent: ${placesByTurn(layout.missed, layout.turns)}.`],
    });
  return found;
}

function anotherStart({ betterStart, flat, layout }: FindingMatter): Finding | null {
  if (!betterStart) return null;
  const { rotation, over, given, written } = betterStart;
  const percent = (n: number) => `${Math.round(n * 100)} %`;
  const step = flat.slots[rotation.slot]?.step;
  const name = step && step.kind !== 'rest' && step.kind !== 'hold' ? ` (${sayMotion(step)})` : '';
  const line =
    over === 'first turn'
      ? `All starts are equal over ${layout.realign.cycles} turns. In turn 1 this gives the accents ${percent(given)} of their weight instead of ${percent(written)}.`
      : `The accents get ${percent(given)} of their weight instead of ${percent(written)}.`;
  return {
    id: 'start',
    tone: 'plain',
    title: `Begin it on its ${ordinal(rotation.slot + 1)} step${name}`,
    lines: [line],
  };
}

function hand({ pendulum, section }: FindingMatter): Finding | null {
  const at = (p: PendulumPlace) => placeLabel(section.cycle, p.at + section.start);
  const said = (list: readonly PendulumPlace[]) =>
    list.length > 6 ? `${plural(list.length, 'place')}, first at ${list[0] ? at(list[0]) : ''}` : listed(list.map(at));
  // Fingers that pluck or flick have no swing to keep.
  if (pendulum.applies !== 'pendulum') return null;
  const lines: string[] = [];
  for (const way of ['d', 'u'] as const) {
    const here = pendulum.holes.filter((h) => h.way === way);
    if (here.length) lines.push(`Ghost ${WAY[way]} at ${said(here)}.`);
  }
  if (pendulum.fights.length) lines.push(`Against the swing: ${said(pendulum.fights)}.`);
  if (!pendulum.seam) lines.push('An odd number of swings: each pass begins the other way round.');
  const broken = pendulum.fights.length > 0 || !pendulum.seam;
  return {
    id: 'hand',
    tone: broken ? 'watch' : 'good',
    title: pendulum.fights.length ? 'The pendulum breaks' : 'The pendulum holds',
    ...aboutSlot([...pendulum.fights, ...pendulum.holes].find((p) => p.slot !== null)?.slot),
    lines: lines.length ? lines : ['Down on the beat, up between, no hole.'],
  };
}

const WHY: Record<Exclude<NotPlanted, 'run over'>, string> = {
  strum: 'it strums',
  'same finger': 'that finger plays already in this figure',
  'not rising': 'its string is not thinner than the one before',
  'must ring': 'its string rings on',
};

function plants({ plants: list, flat, section }: FindingMatter): Finding | null {
  const figures = list.filter((p) => p.set.length > 1);
  const sets = [...new Set(figures.map((p) => p.set.join(' ')))];
  if (sets.length === 0) return null;
  // Only of a figure that plants some: why the others are left out.
  const broken = list.find((p) => p.reason !== null && p.reason !== 'run over' && p.reason !== 'strum');
  const event = broken ? flat.events[broken.index] : undefined;
  const why =
    event && broken?.reason && broken.reason !== 'run over'
      ? [
          `${fingersOf(event.motion).join(' ')} on ${placeLabel(section.cycle, event.at + section.start)} is not planted: ${WHY[broken.reason]}.`,
        ]
      : [];
  return {
    id: 'plants',
    tone: 'plain',
    title: `Plant ${sets.slice(0, 3).join(', then ')} at once`,
    lines: [
      `${plural(figures.length, 'figure')} in a pass. Or set each next finger while the one before plays.`,
      ...why,
    ],
  };
}
