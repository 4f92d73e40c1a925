import fc from 'fast-check'

/**
 * The random studies of the laws are the same in every run, so that a run that fails fails again. To look further:
 * FC_SEED=$RANDOM npm run unit. A law that fails ends at once: to look for a smaller study takes years by the hundred, and is
 * done on request by FC_SHRINK=1.
 */
fc.configureGlobal({
  seed: Number(process.env.FC_SEED ?? 20_261_125),
  endOnFailure: process.env.FC_SHRINK === undefined,
})
