/** Random tunes, and what of a tune any format must bring back. */
import {
  type ChartBar,
  type ChartSlot,
  inHand,
  playedChart,
  playedShapes,
  STYLES,
  type TuneInHand,
  writtenOut,
} from '@nestling/core/chart'
import { CATALOGUE, plainestRoot, writeSymbol } from '@nestling/core/chord'
import { readKey, writeKey } from '@nestling/core/key'
import { COMMON_TUNINGS, type Tuning } from '@nestling/core/neck'
import fc from 'fast-check'

const chordOf = (rank: number, root: number) => {
  const entry = CATALOGUE[rank % CATALOGUE.length] as (typeof CATALOGUE)[number]
  return { root: plainestRoot(root % 12, entry.formula), formula: entry.formula }
}

const shapeFor = (tuning: Tuning) =>
  fc
    .array(fc.option(fc.nat(15), { freq: 2 }), { minLength: tuning.strings.length, maxLength: tuning.strings.length })
    .filter((frets) => frets.filter((fret) => fret !== null).length > 1)

const METRES = [
  { count: 4, unit: 4 },
  { count: 3, unit: 4 },
  { count: 6, unit: 8 },
  { count: 5, unit: 4 },
] as const

const barIn = (count: number): fc.Arbitrary<readonly ChartSlot[]> =>
  fc.oneof(
    fc
      .record({ rank: fc.nat(60), root: fc.nat(11) })
      .map(({ rank, root }) => [{ kind: 'chord' as const, chord: chordOf(rank, root) }]),
    fc.tuple(fc.nat(60), fc.nat(60), fc.nat(11), fc.nat(11)).map(([a, b, r, s]) => [
      { kind: 'chord' as const, chord: chordOf(a, r) },
      { kind: 'chord' as const, chord: chordOf(b, s) },
    ]),
    fc
      .tuple(fc.nat(60), fc.nat(11), fc.integer({ min: 1, max: count - 1 }))
      .map(([rank, root, at]): readonly ChartSlot[] => [
        { kind: 'chord', chord: chordOf(rank, root) },
        ...Array.from(
          { length: count - 1 },
          (_, index): ChartSlot =>
            index + 1 === at ? { kind: 'chord', chord: chordOf(rank + 3, root + 5) } : { kind: 'hold' },
        ),
      ]),
  )

/** Tunes with repeats, endings, parts and shapes; every chord of one name has one shape. */
export const anyTune: fc.Arbitrary<TuneInHand> = fc
  .record({
    metre: fc.constantFrom(...METRES),
    tuning: fc.constantFrom(...COMMON_TUNINGS),
    style: fc.constantFrom(...STYLES),
    key: fc.constantFrom('', 'Ab', 'F#m', 'D Dorian', 'Eb', 'Bm'),
    tempoBpm: fc.option(fc.integer({ min: 40, max: 220 })),
    title: fc.constantFrom('Low Tide Waltz', 'Night Heron', 'Slow Ferry & home'),
  })
  .chain(({ metre, tuning, style, key, tempoBpm, title }) =>
    fc
      .record({
        bars: fc.array(barIn(metre.count), { minLength: 2, maxLength: 8 }),
        repeat: fc.boolean(),
        part: fc.option(fc.constantFrom('A', 'bridge')),
        frets: fc.array(shapeFor(tuning), { minLength: 3, maxLength: 3 }),
      })
      .map(({ bars, repeat, part, frets }) => {
        const written = bars.map(
          (slots, index): ChartBar => ({
            slots,
            ...(repeat && index === 0 ? { opens: true } : {}),
            ...(repeat && index === bars.length - 1 ? { closes: true } : {}),
            ...(part !== null && index === 0 ? { part } : {}),
          }),
        )
        const read = key === '' ? undefined : readKey(key)
        const chart = {
          title,
          metre,
          style,
          bars: written,
          ...(read?.ok ? { key: read.value } : {}),
          ...(tempoBpm === null ? {} : { tempoBpm }),
        }
        const names = new Map<string, number>()
        const shapes = playedChart(chart).chords.map(({ chord }) => {
          const name = writeSymbol(chord, { ascii: true })
          const at = names.get(name) ?? names.size
          names.set(name, at)
          const own = frets[at % frets.length]
          return own && { frets: own }
        })
        return inHand(chart, { ...tuning, name: tuning.strings.map(({ name }) => name).join(' ') }, shapes)
      }),
  )

/** What is heard and seen of a tune, however its bars are cut into slots. */
export const heard = (tune: TuneInHand) => {
  const { chart } = writtenOut(tune)
  const played = playedChart(chart)
  const shapes = playedShapes({ ...writtenOut(tune) })
  return {
    title: chart.title,
    key: chart.key && writeKey(chart.key),
    tempo: chart.tempoBpm,
    beats: played.beats,
    tuning: tune.tuning.strings,
    marks: chart.bars.map(({ part, opens, closes, ending, metre, tempoBpm }) => ({
      part,
      opens,
      closes,
      ending,
      metre,
      tempoBpm,
    })),
    chords: played.chords.map(({ chord, at, beats }, index) => ({
      chord: writeSymbol(chord, { ascii: true }),
      at: Math.round(at * 1000) / 1000,
      beats: Math.round(beats * 1000) / 1000,
      frets: shapes[index]?.frets,
    })),
  }
}

export const withoutFrets = (tune: ReturnType<typeof heard>) => ({
  ...tune,
  chords: tune.chords.map(({ frets: _frets, ...chord }) => chord),
})

/** The one tune that a file holds. */
export function onlyTune(tunes: readonly { readonly tune: TuneInHand }[]): TuneInHand {
  const [first] = tunes
  if (first === undefined || tunes.length > 1) throw new Error(`${tunes.length} tunes`)
  return first.tune
}
