import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** What score files lose, and why one is refused. */
export const sayImportNote = inLanguage(english.sayImportNote);
export const sayImportRefusal = inLanguage(english.sayImportRefusal);
export const sayLogCsvFault = inLanguage(english.sayLogCsvFault);
export const sayLoss = inLanguage(english.sayLoss);
export const MIDI_TRACKS = inLanguage(english.MIDI_TRACKS);
