/**
 * The whole answer to a build: every shape with its arrangement, fingers, silent strings, register and other names.
 * The page asks `shapesFor` and works out the rest for the rows it shows; scripts and the HTTP endpoint take it whole.
 */
import {
  type RankedShape,
  type RegisterWarning,
  rankShapes,
  registerWarnings,
  type SilentString,
  silentStrings,
} from '../hand/index.ts'
import { type ChordName, namesOfTones, soundedTones } from '../name/index.ts'
import type { Midi } from '../pitch/index.ts'
import { searchVoicings, type Voicing, voicingReader } from '../voicing/index.ts'
import { queryOf } from './shapes.ts'
import type { Build, Setting } from './types.ts'

export interface AnsweredShape extends RankedShape {
  readonly voicing: Voicing
  readonly silent: readonly SilentString[]
  readonly register: readonly RegisterWarning[]
  /** Every name of the sound, best first; shapes that sound alike share the list. */
  readonly names: readonly ChordName[]
}

export interface Answer {
  readonly shapes: readonly AnsweredShape[]
  readonly count: number
  readonly truncated: boolean
}

/** @param limit How many shapes to tell in full; `count` counts all. */
export function answerTo(build: Build, setting: Setting, limit = Number.POSITIVE_INFINITY): Answer {
  const query = queryOf(build, setting)
  const { neck, chord } = query
  const found = searchVoicings(query)
  const ranked = rankShapes(found, neck, setting.hand, { thumb: setting.thumb })
  const shown = ranked.length > limit ? ranked.slice(0, limit) : ranked
  const voicingIn = voicingReader(chord, neck)
  const namesOfSound = new Map<number, readonly ChordName[]>()
  const shapes = shown.map((shape): AnsweredShape => {
    const voicing = voicingIn(shape.frets)
    const tones = soundedTones(shape.frets, neck)
    if (voicing === undefined || tones === undefined) throw new Error(`${shape.frets.join()} does not sound the chord`)
    const sound = tones.mask * 12 + tones.lowest
    let names = namesOfSound.get(sound)
    if (names === undefined) {
      names = namesOfTones(tones, { near: chord })
      namesOfSound.set(sound, names)
    }
    return {
      frets: shape.frets,
      reachMm: shape.reachMm,
      fingering: shape.fingering,
      score: shape.score,
      voicing,
      silent: shape.fingering ? silentStrings(neck, shape.frets, shape.fingering, setting.instrument.pluck) : [],
      register: registerWarnings(
        voicing.midis.filter((midi): midi is Midi => midi !== null),
        setting.withBassPlayer,
      ),
      names,
    }
  })
  return { shapes, count: found.count, truncated: found.truncated || ranked.length > limit }
}
