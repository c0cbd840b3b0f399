/// <reference lib="webworker" />
import { expose } from 'comlink';
import { exchangeTasks } from './exchange-tasks';

expose(exchangeTasks);
