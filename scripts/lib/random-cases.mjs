// @ts-check
// Random cases are the same in every run of the tests, so that a failure is the change's own; `npm run fuzz` tries others.
import fc from 'fast-check'

fc.configureGlobal({ seed: Number(process.env['FUZZ_SEED'] ?? 1) })
