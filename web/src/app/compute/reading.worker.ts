/// <reference lib="webworker" />
import { readSection } from '@ruffle-wheel/core';
import { expose } from 'comlink';
import type { Computer } from './protocol';

const computer: Computer = { readSection };
expose(computer);
