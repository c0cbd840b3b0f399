import bravura from '@vexflow-fonts/bravura/bravura.otf';

/** The font of the signs of music, from which outlines are taken. */
export const signsUrl = bravura;
