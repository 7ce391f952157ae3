/** What the Book holds, for its first page: counts, and everything that is not a shape. */
import { readChartHead } from '@nestling/core/chart'
import { writeKey } from '@nestling/core/key'
import { remembered } from '@nestling/core/result'
import { writeMetre } from '@nestling/core/time'
import { chordsOf } from '@nestling/core/tune'
import { type BookContents, TUNE_CHORDS_SHOWN } from '../contracts/book.ts'
import type { Repositories } from './repositories.ts'

const MOST_TUNES = 1000
const MOST_SETS = 300
const MOST_SHEETS = 300

/** What is told of a tune, by its chart. */
const aboutOf = remembered((chart) => {
  const { metre, style, key } = readChartHead(chart)
  return [writeMetre(metre), ...(style === 'straight' ? [] : [style]), ...(key ? [writeKey(key)] : [])].join(' · ')
}, 2 * MOST_TUNES)

export function bookContents({
  shapes,
  tunes,
  sets,
  sheets,
  unreadable,
}: Pick<Repositories, 'shapes' | 'tunes' | 'sets' | 'sheets' | 'unreadable'>): BookContents {
  const { total, groups } = shapes.window({ find: '', by: 'tune' }, 0, 0)
  const counts = new Map(groups.map(({ tune, count }) => [tune, count]))
  const kept = tunes.list(MOST_TUNES)
  const keptSets = sets.list(MOST_SETS)
  const keptSheets = sheets.list(MOST_SHEETS)
  return {
    shapes: total,
    inNone: counts.get(null) ?? 0,
    tunes: kept.tunes
      .toSorted((a, b) => (a.createdAt < b.createdAt ? -1 : a.createdAt > b.createdAt ? 1 : a.id - b.id))
      .map(({ id, title, version, tune }) => {
        const count = counts.get(id) ?? 0
        const chords = count > 0 ? [] : chordsOf(tune)
        return {
          id,
          title,
          version,
          count,
          about: aboutOf(tune.chart),
          ...(count > 0
            ? {}
            : {
                chords: chords.slice(0, TUNE_CHORDS_SHOWN),
                moreChords: Math.max(0, chords.length - TUNE_CHORDS_SHOWN),
              }),
        }
      }),
    moreTunes: kept.total - kept.tunes.length,
    tags: shapes.tags(),
    sets: keptSets.sets,
    moreSets: keptSets.total - keptSets.sets.length,
    unreadable: unreadable.list().length,
    sheets: keptSheets.sheets.map(({ id, title, version, createdAt, paper, lying, blocks }) => ({
      id,
      title,
      version,
      createdAt,
      paper,
      lying,
      blocks: blocks.map(({ kind }) => kind),
    })),
    moreSheets: keptSheets.total - keptSheets.sheets.length,
  }
}
