import {
  sayDataFault as englishSayDataFault,
  sayDataFaults as englishSayDataFaults,
  sayRefusal as englishSayRefusal,
} from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Why a command, a row or a file is refused. */
export const sayRefusal = inLanguage(englishSayRefusal);
export const sayDataFault = inLanguage(englishSayDataFault);
export const sayDataFaults = inLanguage(englishSayDataFaults);
