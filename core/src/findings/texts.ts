import { type Finding, finding, type GraveMatter, placeIn } from './model.js';

/** What of both texts can't be read. */
export const texts = (m: GraveMatter): Finding[] => [
  ...m.faults.map((fault) => finding('script unread', 'late', placeIn(m), { fault })),
  ...m.chartFaults.map((fault) => finding('chart unread', 'late', placeIn(m), { fault })),
];
