export * from './model.js';
export * from './file.js';
export { type Checked, schemaFault, type SchemaFaultCode } from './check.js';
export * from './rows.js';
export * from './mend.js';
