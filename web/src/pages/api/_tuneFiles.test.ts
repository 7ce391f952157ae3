import { playedChart, playedShapes, writtenOut } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { readFile } from '@nestling/formats/anyfile'
import { describe, expect, test } from 'vitest'
import { DEMO_INSTRUMENTS } from '../../../server/demoData.ts'
import { demoTunes } from '../../../server/demoTunes.ts'
import { DEFAULT_SETTINGS } from '../../contracts/settings.ts'
import type { KeptTune } from '../../contracts/tune.ts'
import { musicOf, tuneDraftOf } from '../../contracts/tuneFile.ts'
import type { Work } from './_work.ts'
import { work } from './tunes/[id].[format].ts'

const archtop = DEMO_INSTRUMENTS[0] as (typeof DEMO_INSTRUMENTS)[number]
const kept = demoTunes(archtop).map((tune, index): KeptTune => ({ ...tune, id: index + 1, version: 1, createdAt: '' }))
const fetched = (id: string, format: string) =>
  work({
    params: { id, format },
    locals: {
      tunes: { find: (wanted: number) => kept.find((tune) => tune.id === wanted) },
      page: () => ({ settings: { ...DEFAULT_SETTINGS, instrumentId: 1 }, instruments: [{ ...archtop, id: 1 }] }),
    },
  } as unknown as Parameters<Work>[0]) as Response

/** Chords in time with their shapes, as a player meets them. */
const chordsOf = (tune: ReturnType<typeof musicOf>['tune']) => {
  const out = writtenOut(tune)
  const shapes = playedShapes(out)
  return playedChart(out.chart).chords.map(({ chord, at }, index) => [
    at,
    writeSymbol(chord, { ascii: true }),
    shapes[index]?.frets,
  ])
}

describe.each(kept.map((tune) => [tune.title, tune] as const))('%s', (_title, tune) => {
  test.each(['musicxml', 'cho', 'txt', 'mid'])('goes out as .%s and comes in the same', async (format) => {
    const answer = fetched(String(tune.id), format)
    expect(answer.headers.get('content-disposition')).toContain(`.${format}"`)
    const bytes = new Uint8Array(await answer.arrayBuffer())
    const read = readFile(`tune.${format}`, bytes)
    if (!read.ok || read.value.kind === 'notebook') throw new Error(JSON.stringify(read))
    const [found] = read.value.read.tunes
    if (!found) throw new Error('no tune')
    const { tune: own } = musicOf(tune, archtop.tuning)
    const [mine, theirs] = [chordsOf(own), chordsOf(found.tune)]
    // MIDI holds no strings; a chord that has no shape after the same chord with one takes that one in ChordPro.
    const plain = (all: typeof mine) => all.map(([at, symbol]) => [at, symbol])
    expect(plain(theirs)).toEqual(plain(mine))
    if (format !== 'mid') expect(theirs).toEqual(mine)
    expect(found.tune.chart.title).toBe(tune.title)
    expect(found.tune.chart.key?.tonic).toBe(own.chart.key?.tonic)
    expect(found.tune.chart.tempoBpm).toBe(own.chart.tempoBpm)
  })

  test('read from a file it is kept as it was: the same chart, every shape held', () => {
    const { tune: own } = musicOf(tune, archtop.tuning)
    const draft = tuneDraftOf(own, ['# a line'], 'untitled')
    expect(draft).toMatchObject({ title: tune.title, remarks: '# a line' })
    expect(chordsOf(musicOf(draft, archtop.tuning).tune)).toEqual(chordsOf(own))
    const way = draft.tune.way?.split(',') ?? []
    expect(draft.tune.hold?.split(',')).toEqual(
      way.flatMap((frets, chord) => (frets === 'none' ? [] : [`${chord + 1}:${frets}`])),
    )
    expect(way.length).toBeGreaterThan(4)
  })
})

test('a tune or a format that is not there is not found', async () => {
  for (const [id, format] of [
    ['99', 'mid'],
    ['1', 'doc'],
    ['1', 'constructor'],
    ['x', 'mid'],
  ] as const)
    expect(fetched(id, format).status).toBe(404)
})
