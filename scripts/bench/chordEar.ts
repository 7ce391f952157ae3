/** The ear for chords on rendered chords: which faults it finds, and how often it finds one that is not there. */
import { canTell, chordVerdicts, type ExpectedString, type Hearing, LAST_WORD } from '@nestling/core/ear'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { readFrets } from '@nestling/core/voicing'
import { type RenderedFault, renderedChord } from '../../web/src/ear/renderedChord.testkit.ts'
import { spectrumOf } from '../../web/src/ear/spectrum.ts'

const RATE = 44_100
const neck = neckOf(STANDARD_INSTRUMENT)

export interface Tally {
  asked: number
  found: number
}
export interface EarRates {
  readonly missing: Tally
  readonly off: Tally
  readonly rings: Tally
  /** Right strings, and how many were called wrong. */
  readonly alarms: Tally
  /** Faults that can't be told apart beside the other strings. */
  readonly untold: number
  /** The longest that one chord took, in ms. */
  slowestMs: number
}

export const expectedOf = (text: string): readonly ExpectedString[] =>
  must(readFrets(text, neck.open.length)).map((fret, string) => ({
    string,
    midi: fret === null ? null : (neck.open[string] as number) + fret,
    openMidi: neck.open[string] as number,
  }))

/** Each shape played right, and with every single fault, with new loudness, tuning and noise each time. */
export function earRates(
  shapes: readonly string[],
  {
    seed,
    noiseDb,
    hearing = LAST_WORD,
  }: { readonly seed: number; readonly noiseDb: number; readonly hearing?: Hearing },
): EarRates {
  const rates: EarRates = {
    missing: { asked: 0, found: 0 },
    off: { asked: 0, found: 0 },
    rings: { asked: 0, found: 0 },
    alarms: { asked: 0, found: 0 },
    untold: 0,
    slowestMs: 0,
  }
  const counts = { untold: 0 }
  let next = seed * 1000
  for (const text of shapes) {
    const expected = expectedOf(text)
    const faults: readonly (RenderedFault | undefined)[] = [
      undefined,
      ...expected.flatMap(({ midi }, index): readonly RenderedFault[] =>
        midi === null
          ? [{ index, kind: 'rings' }]
          : [
              { index, kind: 'missing' },
              { index, kind: -1 },
              { index, kind: 1 },
            ],
      ),
    ]
    for (const fault of faults) {
      const { samples, lastS } = renderedChord(expected, {
        sampleRate: RATE,
        seconds: 0.8,
        noiseDb,
        seed: next++,
        fault,
      })
      const from = Math.round((lastS + hearing.afterS) * RATE)
      const started = performance.now()
      const verdicts = chordVerdicts(spectrumOf(samples.subarray(from, from + hearing.window), RATE), expected, hearing)
      rates.slowestMs = Math.max(rates.slowestMs, performance.now() - started)
      for (const [index, verdict] of verdicts.entries()) {
        if (fault?.index === index) {
          const tally = fault.kind === 'missing' ? rates.missing : fault.kind === 'rings' ? rates.rings : rates.off
          if (!canTell(expected, index, fault.kind)) {
            counts.untold++
            continue
          }
          tally.asked++
          const isFound =
            fault.kind === 'missing' || fault.kind === 'rings'
              ? verdict.kind === fault.kind
              : verdict.kind === 'off' && verdict.by === fault.kind
          if (isFound) tally.found++
          else if (process.env['EAR_SHOWS']) console.log(text, 6 - index, fault.kind, JSON.stringify(verdict))
        } else {
          rates.alarms.asked++
          if (verdict.kind === 'missing' || verdict.kind === 'off' || verdict.kind === 'rings') {
            rates.alarms.found++
            if (process.env['EAR_SHOWS'])
              console.log('ALARM', text, 6 - index, JSON.stringify(fault), JSON.stringify(verdict))
          }
        }
      }
    }
  }
  return { ...rates, untold: counts.untold }
}
