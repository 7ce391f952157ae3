/** A Book of ten thousand shapes and five hundred tunes, and a log of ten years, for what is measured over much. */
import { join } from 'node:path'
import { DEMO_INSTRUMENTS } from '../../web/server/demoData.ts'
import { demoLog } from '../../web/server/demoLog.ts'
import { demoTunes } from '../../web/server/demoTunes.ts'
import { openDatabase } from '../../web/src/data/database.ts'
import { createRepositories, type Repositories } from '../../web/src/data/repositories.ts'

export const SHAPES = 10_000
export const TUNES = 500
export const LOG_SIZE = 50_000
export const YEARS = 10
export const CHORDS = ['Fm9', 'Bbm7', 'Eb13', 'Abmaj9', 'Dbmaj7', 'Gm7b5', 'C7b9', 'Fm7']
export const FRETS = [
  'x8688x',
  '6x666x',
  '11-x-11-12-13-x',
  'x-11-10-12-11-x',
  '9-x-10-10-9-x',
  'x-10-11-10-11-x',
  '8x898x',
  '8x889x',
]
export const STANDARD = 'E2,A2,D3,G3,B3,E4'

/** The archtop that all of it is for. */
const archtop = () => {
  const [first] = DEMO_INSTRUMENTS
  if (!first) throw new Error('the demo has an archtop')
  return first
}

/** Fills a new database in a folder and closes it. */
export function filled<Value>(folder: string, fill: (kept: Repositories) => Value): Value {
  process.env['NESTLING_MIGRATIONS'] ??= join(import.meta.dirname, '..', '..', 'web', 'drizzle')
  const { db, close } = openDatabase(folder)
  try {
    const kept = createRepositories(db)
    kept.instruments.add(archtop())
    return fill(kept)
  } finally {
    close()
  }
}

export function fillBook(book: Repositories): void {
  const tunes = demoTunes(archtop())
  const createdAt = new Date(0).toISOString()
  const rows = {
    ...book.notebook.rows(),
    tunes: Array.from({ length: TUNES }, (_, index) => ({
      ...(tunes[index % tunes.length] as (typeof tunes)[number]),
      title: `tune ${index}`,
      id: index + 1,
      createdAt,
    })),
    shapes: Array.from({ length: SHAPES }, (_, index) => ({
      name: `take ${index}`,
      chord: CHORDS[index % 8] ?? '',
      frets: FRETS[index % 8] ?? '',
      tuning: STANDARD,
      fingers: '',
      note: index % 3 === 0 ? 'thin' : '',
      tune: (index % TUNES) + 1,
      tags: [],
      createdAt,
    })),
  }
  book.notebook.apply(rows, { fresh: 'take', different: 'take', each: {} }, 'bench', new Date())
}

/** The demo's six weeks again and again, back over ten years. */
export function fillLog({ practice }: Repositories): void {
  const now = Date.now()
  const step = (YEARS * 365 * 24 * 3600_000) / 60
  let kept = 0
  for (let back = 0; kept < LOG_SIZE; back++) {
    const { attempts } = demoLog(archtop(), new Date(now - back * step), back + 1)
    const some = attempts.slice(0, LOG_SIZE - kept).map((attempt) => ({
      ...attempt,
      id: `${back}-${attempt.id}`,
      run: attempt.run && { ...attempt.run, id: `${back}-${attempt.run.id}` },
    }))
    practice.recordAll(some, new Date(now))
    kept += some.length
  }
}
