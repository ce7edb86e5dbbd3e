import fc from 'fast-check';

// The same cases on every run; FC_SEED=random (or a number) looks further.
const { FC_SEED } = process.env;
fc.configureGlobal(FC_SEED === 'random' ? {} : { seed: Number(FC_SEED ?? 20_261_123) });
