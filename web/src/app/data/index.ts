export * from './rows';
export * from './operations';
export * from './outcome';
export * from './store';
export * from './writes';
