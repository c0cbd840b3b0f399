/// <reference lib="webworker" />
import { expose } from 'comlink';
import { readForPage } from './page-reading';
import type { Computer } from './protocol';

const computer: Computer = { readForPage };
expose(computer);
