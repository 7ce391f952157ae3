/** Fills a data folder with the demo: Marit's three instruments, a dozen shapes, five tunes, a set, three sheets and six weeks of practice. What is there already stays. */
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { dataFolder } from '../../scripts/dataFolder.mjs'
import { DataProblem, openDatabase } from '../src/data/database.ts'
import { createRepositories } from '../src/data/repositories.ts'
import { DEMO_INSTRUMENTS, DEMO_SET, DEMO_SHAPES } from './demoData.ts'
import { demoLog } from './demoLog.ts'
import { demoSheets } from './demoSheets.ts'
import { demoTunes } from './demoTunes.ts'

/** The same log on every machine, up to the day on which it is filled. */
const LOG_SEED = 20

process.env['NESTLING_MIGRATIONS'] ??= join(dirname(fileURLToPath(import.meta.url)), '..', 'drizzle')

try {
  const { db, close } = openDatabase(dataFolder('demo'))
  const { instruments, shapes, sets, sheets, settings, tunes, practice } = createRepositories(db)
  const known = instruments.list()
  for (const instrument of DEMO_INSTRUMENTS) instruments.add(instrument)
  // The shapes come once, with the first instruments: shapes that the player deleted must not come back.
  if (known.length === 0) {
    settings.change({ instrumentId: instruments.list()[0]?.id ?? null })
    const start = Date.UTC(2026, 9, 4, 17, 0)
    const [archtop] = DEMO_INSTRUMENTS
    for (const [index, tune] of (archtop ? demoTunes(archtop) : []).entries())
      tunes.add(tune, new Date(start + index * 50 * 3600_000))
    if (archtop) {
      const { attempts, decks, decksAt } = demoLog(archtop, new Date(), LOG_SEED)
      for (const deck of decks) practice.addCards(deck, decksAt)
      practice.recordAll(attempts, new Date())
    }
    const kept = tunes.list(DEMO_SHAPES.length).tunes
    for (const [index, shape] of DEMO_SHAPES.entries()) {
      const tune = kept.find(({ title }) => title === shape.tune)?.id ?? null
      shapes.add({ ...shape, tune }, new Date(start + index * 26 * 3600_000))
    }
    sets.add(DEMO_SET, new Date(start + 400 * 3600_000))
    const listed = shapes.window({ find: '', by: 'tune' }, 0, DEMO_SHAPES.length).shapes
    // The first is the newest: it opens first.
    for (const [index, sheet] of demoSheets(kept, listed).toReversed().entries())
      sheets.add(sheet, new Date(start + (420 + index * 30) * 3600_000))
  }
  close()
} catch (error) {
  if (!(error instanceof DataProblem)) throw error
  console.error(error.message)
  process.exit(1)
}
