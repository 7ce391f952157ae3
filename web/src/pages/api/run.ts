import { writeSymbol } from '@nestling/core/chord'
import { neckOf, STANDARD_TUNING, stringIndex } from '@nestling/core/neck'
import { readNote } from '@nestling/core/pitch'
import {
  chanceOf,
  type Material,
  nearestRule,
  type PlaceRule,
  type RunStep,
  readMaterial,
  runOf,
} from '@nestling/core/practice'
import { type Ensemble, type Manner, usualManner } from '@nestling/core/taste'
import { writeFrets } from '@nestling/core/voicing'
import { type RUN_PLACES, RunQuery } from '../../contracts/queries.ts'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readQuery, refuse, refuseWith } from './_respond.ts'
import { measured } from './_shape.ts'
import { tasteTold } from './_taste.ts'
import { onThread, type Work } from './_work.ts'

/** Of a run over HTTP. */
const SCRIPT_STRINGS = STANDARD_TUNING.strings.length
/** No run goes beyond: higher up shapes are crowded. */
const FRET_MAX = 15

/** `GET /api/run?material=m7&cycle=fourths&from=E&place=6-and-5`: a chord through its roots, the hand moving least. */
export const work: Work = (asked) => {
  const { url } = asked
  const query = readQuery(url, RunQuery)
  if (!query.ok) return query.response
  const { material, cycle, from, place, down, all, seed, manner, ensemble } = query.value
  const root = readNote(from)
  if (root === undefined || root.length !== from.trim().length)
    return refuseWith('from', {
      message: `${from} is no root; expected a note name such as E, F# or Bb`,
      expected: 'a note name such as E, F# or Bb',
    })
  const read = readMaterial(material, SCRIPT_STRINGS)
  if (!read.ok) return refuse('material', read.error)
  const { instrument, told: measuredOn } = measured(asked)
  const player = playerOf(DEFAULT_SETTINGS, instrument)
  const neck = neckOf(player.instrument)
  const steps = runOf(
    {
      material: read.value,
      cycle,
      from: root,
      down: down === 'true',
      all: all === 'true',
      random: chanceOf(seed),
      rule: ruleOf(place, neck.open.length),
      playing: playingFor(read.value, manner, ensemble),
      fretMax: FRET_MAX,
    },
    neck,
    player.hand,
  )
  return Response.json({ steps: steps.map(told), instrument: measuredOn })
}

function ruleOf(place: (typeof RUN_PLACES)[number], count: number): PlaceRule {
  const strings = (...numbers: readonly number[]) => numbers.map((number) => stringIndex(number, count))
  if (place === 'nearest') return nearestRule(count)
  return { kind: 'in-turn', strings: strings(...place.split('-and-').map(Number)) }
}

/** One of both is enough, as for voicings. */
function playingFor(material: Material, manner: Manner | undefined, ensemble: Ensemble | undefined) {
  if (material.kind !== 'chord' || (manner === undefined && ensemble === undefined)) return undefined
  return {
    manner: manner ?? usualManner({ root: 'E', formula: material.formula }, true),
    ensemble: ensemble ?? 'alone',
  } as const
}

function told({ root, twin, chord, shape, taste, hopFrets, hopMm }: RunStep) {
  const symbol = writeSymbol(chord, { ascii: true })
  const names = { root, ...(twin ? { twin } : {}), symbol }
  if (!shape) return { ...names, why: 'no shape of it lies on these strings within these frets' }
  const frets = writeFrets(shape.frets)
  return {
    ...names,
    frets,
    shape: frets,
    hopFrets: hopFrets ?? 0,
    hopMm: Math.round(hopMm ?? 0),
    ...(taste && { taste: tasteTold(taste) }),
  }
}

export const GET = onThread('run')
