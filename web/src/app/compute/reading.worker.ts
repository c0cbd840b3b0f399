/// <reference lib="webworker" />
import { readAloud } from '@ruffle-wheel/core';
import { expose } from 'comlink';
import type { Computer } from './protocol';

const computer: Computer = { readAloud };
expose(computer);
