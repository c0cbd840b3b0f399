export * from './en/index.js';
export * from './explain.js';
export type { Language } from './language.js';
