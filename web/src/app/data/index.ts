export * from './rows';
export * from './store';
