/// <reference lib="webworker" />
import { expose } from 'comlink';
import { solver } from './solver';

expose(solver);
