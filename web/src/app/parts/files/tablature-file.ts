import { type Scope, type Study, type TablaturePart, tablatureFile as fileOf } from '@ruffle-wheel/core';
import { files as words } from '../../words/files';

/** A whole file of tablature: the study, then each section with its cycle and tempo; '' where nothing is written. */
export const tablatureFile = (study: Study, scope: Scope, all: readonly TablaturePart[]): string =>
  fileOf(study, scope, all, words.bars);
