import fc from 'fast-check'

/**
 * Random cases are the same at every run, so that what passed once passes again. JUVENA_SEED, any
 * number, draws others.
 */
fc.configureGlobal({ seed: Number(process.env.JUVENA_SEED ?? 27) })
