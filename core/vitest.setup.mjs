import fc from 'fast-check';

fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(process.env.SEED) });
