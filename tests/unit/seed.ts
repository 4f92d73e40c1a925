import fc from 'fast-check'

/**
 * The random studies of the laws are the same in every run, so that a run that fails fails again. To look further:
 * FC_SEED=$RANDOM npm run unit
 */
fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20_261_125) })
