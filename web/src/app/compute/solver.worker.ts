/// <reference lib="webworker" />
import { compareSchools, fitCycle } from '@ruffle-wheel/core';
import { expose } from 'comlink';
import type { Solver } from './protocol';

const solver: Solver = {
  fitCycle: (request) => fitCycle(request),
  compareSchools: (request) => compareSchools(request),
};
expose(solver);
