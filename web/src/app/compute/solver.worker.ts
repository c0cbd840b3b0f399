/// <reference lib="webworker" />
import { fitCycle } from '@ruffle-wheel/core';
import { expose } from 'comlink';
import type { Solver } from './protocol';

const solver: Solver = { fitCycle: (request) => fitCycle(request) };
expose(solver);
