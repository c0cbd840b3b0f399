export * from './collection';
export * from './open-study';
