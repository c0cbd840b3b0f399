import { listed, plural } from '@ruffle-wheel/core';

/** What every answer of a solver has: while it is worked out, shown, taken over; and ways out of a finding. */
export const answers = {
  remedies: {
    ask: 'What would end it',
    none: 'Nothing that was tried ends it.',
    failed: 'That could not be worked out: ask again.',
    taken: 'taken',
  },
  working: {
    working: 'Working it out…',
    cancel: 'Cancel',
    cancelled: 'Cancelled. Change something to ask again.',
    failed: 'This could not be worked out',
    again: 'Try again',
  },
  answer: {
    show: 'Show and hear',
    back: 'Back to what is written',
    take: 'Take over',
    taken: 'Taken over',
    showBrief: 'Hear',
    backBrief: 'Back',
    takeBrief: 'Take',
    points: (n: number) => plural(n, 'point'),
    total: 'points',
    paid: (term: string, points: number) => `${term} ${points}`,
    named: (does: string, name: string) => `${does}: ${name}`,
    kind: (names: readonly string[]) => `Read as ${listed(names)}.`,
    folded: 'Not given for this',
    foldedWhy: (keeps: readonly string[]) => `No teacher gives the others here: ${listed(keeps)}.`,
    drill: 'Drill its weakest joint',
    drilled: 'Taken over; its weakest joint is the drill',
  },
};
