export * from './arrivals';
export * from './asked-drills';
export * from './collection';
export * from './exports';
export * from './leaving';
export * from './open-study';
export * from './typed-texts';
