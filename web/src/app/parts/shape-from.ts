import { fingersText, fretsText, type FrettedShape, type Shape } from '@ruffle-wheel/core';

/** The same frets under the same fingers are the same shape of a study. */
export const shapeFrom = (name: string, held: FrettedShape): Shape => ({
  id: `${name} ${fretsText(held)} ${fingersText(held)}`.slice(0, 80),
  name: name.slice(0, 60),
  ...held,
});
