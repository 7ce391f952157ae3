/** Loading on first use, for views; see there. */
export { loaded } from '../workers/loaded.ts'
