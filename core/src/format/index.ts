export * from './model.js';
export * from './file.js';
export { type Checked, schemaFault } from './check.js';
export * from './rows.js';
export * from './mend.js';
