/**
 * The demo's scenario: Marit Solbakk plays guitar in a three-piece with double bass and clarinet called the Lantern
 * Room, and prepares a small-hall evening. All of it is made up.
 */
import { type Instrument, readTuning } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import type { KeptSetDraft } from '../src/contracts/progression.ts'
import type { KeptShapeDraft } from '../src/contracts/shape.ts'

const STANDARD = 'E2,A2,D3,G3,B3,E4'
const OPEN_D = 'D2,A2,D3,F#3,A3,D4'
const BARITONE = 'B1,E2,A2,D3,F#3,B3'

export const DEMO_INSTRUMENTS: readonly Instrument[] = [
  {
    name: 'Archtop',
    tuning: must(readTuning(STANDARD, { name: 'standard' })),
    frets: 20,
    scaleLengthMm: 635,
    spacingNutMm: 7.2,
    spacingBridgeMm: 10.4,
    lastReachableFret: 17,
    handed: 'right',
    pluck: 'thumb-and-fingers',
    timbre: 'archtop',
  },
  {
    name: 'Flat-top',
    tuning: must(readTuning(OPEN_D, { name: 'D A D F♯ A D' })),
    frets: 20,
    scaleLengthMm: 645,
    spacingNutMm: 7.4,
    spacingBridgeMm: 10.8,
    lastReachableFret: 15,
    handed: 'right',
    pluck: 'fingers',
    timbre: 'steel',
  },
  {
    name: 'Baritone',
    tuning: must(readTuning(BARITONE, { name: 'baritone B–B' })),
    frets: 22,
    scaleLengthMm: 695,
    spacingNutMm: 7.4,
    spacingBridgeMm: 10.6,
    lastReachableFret: 19,
    handed: 'right',
    pluck: 'pick',
    timbre: 'steel',
  },
]

/** A shape of the demo, with the tune that it stands under by its title. */
export interface DemoShape extends Omit<KeptShapeDraft, 'tune'> {
  readonly tune: string
}
const TRIO = 'the Lantern Room'

const shape = (tune: string, name: string, chord: string, frets: string, tuning: string, note: string): DemoShape => ({
  name,
  chord,
  frets,
  tuning,
  fingers: '',
  note,
  tune,
  tags: [TRIO],
})

export const DEMO_SHAPES: readonly DemoShape[] = [
  shape('Low Tide Waltz', 'first bar', 'Bbmaj7', 'x1323x', STANDARD, 'The clarinet has the root above: play it thin.'),
  shape('Low Tide Waltz', 'second bar', 'Gm7', '3x333x', STANDARD, ''),
  shape('Low Tide Waltz', 'turn', 'Cm9', 'x3133x', STANDARD, 'No fifth; the bass has it.'),
  shape('Low Tide Waltz', 'home', 'F13', '1x123x', STANDARD, ''),
  shape('Kettle Song', 'verse', 'F#m7', '2x222x', STANDARD, ''),
  shape('Kettle Song', 'lift', 'Bm7b5', 'x2323x', STANDARD, ''),
  shape('Kettle Song', 'bridge', 'C#7#9', 'x4345x', STANDARD, 'Damp string 6 with the tip of 2.'),
  shape('Slow Ferry', 'opening', 'Abmaj7', '4x554x', STANDARD, 'Thumb on 6, then the three together.'),
  shape('Slow Ferry', 'out', 'Eb9', 'x6566x', STANDARD, ''),
  shape('Two Coats of Paint', 'four', 'Ab13', '4x456x', STANDARD, ''),
  shape('Two Coats of Paint', 'drop 2', 'Ebmaj7', 'x6878x', STANDARD, 'Bring the G out on string 2.'),
  shape('Night Heron', 'drone', 'Dadd9', '002002', OPEN_D, 'Let everything ring.'),
]

const step = (id: string, chord: string, frets: string) => ({
  id,
  beats: 4,
  chord,
  shape: { chord, frets, tuning: STANDARD, fingers: '' },
  held: true,
})

/** A set as it is kept from the tray. */
export const DEMO_SET: KeptSetDraft = {
  title: 'Slow Ferry, the first eight',
  key: 'Ab major',
  metre: '4/4',
  tempoBpm: 112,
  steps: [
    step('a', 'Fm9', 'x8688x'),
    step('b', 'Bbm7', '6x666x'),
    step('c', 'Eb13', '11-x-11-12-13-x'),
    step('d', 'Abmaj9', 'x-11-10-12-11-x'),
  ],
}
