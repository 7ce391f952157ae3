/** A thread begins without the TypeScript that the server was started with: it is switched on first. */
import { register } from 'tsx/esm/api'

register()
const { default: work } = await import('./work.ts')
export default work
