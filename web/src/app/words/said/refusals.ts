import * as english from '@ruffle-wheel/core';
import { inLanguage } from '../language';

/** Why a command, a row or a file is refused. */
export const sayRefusal = inLanguage(english.sayRefusal);
export const sayDataFault = inLanguage(english.sayDataFault);
export const sayDataFaults = inLanguage(english.sayDataFaults);
