/** `npm run backup`: a dated copy of all that is kept, while Nestling runs or not. */
import { dataFolder } from '../../scripts/dataFolder.mjs'
import { copyOf } from '../src/data/copyFiles.ts'

try {
  const path = await copyOf(dataFolder('own'), 'by-hand', new Date())
  console.log(`Saved: ${path}`)
} catch (error) {
  console.error(`Nothing was saved: ${(error as Error).message}`)
  process.exitCode = 1
}
