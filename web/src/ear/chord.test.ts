import { canTell, chordVerdicts, type ExpectedString, LAST_WORD, type StringVerdict } from '@nestling/core/ear'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { readFrets } from '@nestling/core/voicing'
import { describe, expect, test } from 'vitest'
import { type RenderedFault, renderedChord } from './renderedChord.testkit.ts'
import { spectrumOf } from './spectrum.ts'

const RATE = 44_100
const neck = neckOf(STANDARD_INSTRUMENT)
const expectedOf = (text: string): readonly ExpectedString[] =>
  must(readFrets(text, 6)).map((fret, string) => {
    const openMidi = neck.open[string] as number
    return { string, midi: fret === null ? null : openMidi + fret, openMidi }
  })
function heard(text: string, fault?: RenderedFault, seed = 5): readonly StringVerdict[] {
  const expected = expectedOf(text)
  const { samples, lastS } = renderedChord(expected, { sampleRate: RATE, seconds: 0.7, noiseDb: 30, seed, fault })
  const from = Math.round((lastS + LAST_WORD.afterS) * RATE)
  return chordVerdicts(spectrumOf(samples.subarray(from, from + LAST_WORD.window), RATE), expected)
}
const told = (verdicts: readonly StringVerdict[]) =>
  verdicts.map((one) => (one.kind === 'off' ? `off ${one.by}` : one.kind)).join(' ')

describe('a chord string by string', () => {
  // The D on string 2 is a partial of the low G, an octave and a fifth above: it can't be told.
  test('what is right is called right, what is silent still', () =>
    expect(told(heard('3x343x'))).toBe('rang still rang rang unclear still'))
  test.each([
    [{ index: 2, kind: 'missing' }, 'rang still missing rang unclear still'],
    [{ index: 4, kind: 1 }, 'rang still rang rang off 1 still'],
    [{ index: 2, kind: -1 }, 'rang still off -1 rang unclear unclear'],
    [{ index: 1, kind: 'rings' }, 'rang rings rang rang unclear unclear'],
  ] as const)('%j', (fault, expected) => expect(told(heard('3x343x', fault))).toBe(expected))

  test('an octave has no partials of its own: it is not told, and its root’s fault is not laid to it', () => {
    const verdicts = heard('x02210', undefined)
    expect(verdicts[3]).toEqual({ kind: 'unclear' })
    expect(canTell(expectedOf('x02210'), 3, 'missing')).toBe(false)
    expect(told(heard('x02210', { index: 1, kind: 1 }))).toMatch(/^\w+ off 1 rang (unclear|rang) /)
  })

  test('a root that is a fret off is not laid to its octaves: it is put in its place first', () => {
    let blamed = 0
    for (const text of ['133211', 'x35343', 'x46664', 'x24442', '022100', 'x02220'])
      for (const kind of [-1, 1] as const) {
        const index = expectedOf(text).findIndex(({ midi }) => midi !== null)
        const verdicts = heard(text, { index, kind })
        expect(verdicts[index], `${text} ${kind}`).toEqual({ kind: 'off', by: kind })
        blamed += verdicts.filter((one, at) => at !== index && (one.kind === 'off' || one.kind === 'rings')).length
      }
    expect(blamed).toBe(0)
  })

  test('thirty voicings played right give no more than one wrong word in two hundred', () => {
    const voicings = [
      'x3545x',
      '3x343x',
      'x5756x',
      '5x555x',
      '8x899x',
      'x8688x',
      'xx5555',
      'x2323x',
      '1x123x',
      'x4345x',
    ]
    let wrong = 0
    let all = 0
    for (const text of voicings)
      for (const seed of [11, 12, 13])
        for (const { kind } of heard(text, undefined, seed)) {
          all++
          if (kind === 'missing' || kind === 'off' || kind === 'rings') wrong++
        }
    expect(all).toBe(180)
    expect(wrong).toBeLessThanOrEqual(1)
  })

  test('silence is no chord: every string is missing', () =>
    expect(told(chordVerdicts(spectrumOf(new Float32Array(LAST_WORD.window), RATE), expectedOf('x3545x')))).toBe(
      'still missing missing missing missing still',
    ))
})

test('the spectrum of a pure tone stands at its frequency, 0 elsewhere', () => {
  const tone = Float32Array.from({ length: 4096 }, (_, at) => 0.5 * Math.sin((2 * Math.PI * 440 * at) / RATE))
  const { db, hzPerBin } = spectrumOf(tone, RATE)
  const loudest = db.indexOf(Math.max(...db))
  expect(Math.abs(loudest * hzPerBin - 440)).toBeLessThan(hzPerBin)
  expect((db[loudest] ?? 0) - (db[loudest + 40] ?? 0)).toBeGreaterThan(70)
})
