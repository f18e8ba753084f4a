import { buildApplication } from '../../../scripts/lib/build-application.mjs'

/** What the browser tests use is built before the first of them, and never under their feet. */
export const setup = (): Promise<void> => buildApplication()
