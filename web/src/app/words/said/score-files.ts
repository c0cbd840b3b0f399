import {
  MIDI_TRACKS as ENGLISH_MIDI_TRACKS,
  sayImportNote as englishSayImportNote,
  sayImportRefusal as englishSayImportRefusal,
  sayLogCsvFault as englishSayLogCsvFault,
  sayLoss as englishSayLoss,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** What score files lose, and why one is refused. */
export const sayImportNote = inLanguage(englishSayImportNote);
export const sayImportRefusal = inLanguage(englishSayImportRefusal);
export const sayLogCsvFault = inLanguage(englishSayLogCsvFault);
export const sayLoss = inLanguage(englishSayLoss);
export const MIDI_TRACKS = inLanguage(ENGLISH_MIDI_TRACKS);
