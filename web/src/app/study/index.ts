export * from './collection';
export * from './open-study';
export * from './asked-drills';
