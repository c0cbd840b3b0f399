export * from './rows';
export * from './operations';
export * from './store';
export * from './writes';
