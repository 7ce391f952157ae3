/** One seed for all property tests, so that a run says the same every time; FC_SEED tries another. */
import fc from 'fast-check'

fc.configureGlobal({ seed: Number(process.env['FC_SEED'] ?? 728608) })
