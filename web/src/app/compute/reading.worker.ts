/// <reference lib="webworker" />
import { startingPoints } from '@ruffle-wheel/core';
import { expose } from 'comlink';
import { readForPage } from './page-reading';
import type { Computer } from './protocol';

const computer: Computer = { readForPage, startingPoints };
expose(computer);
