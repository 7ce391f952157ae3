import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { neckOf, stringIndex } from '@nestling/core/neck'
import { readNote } from '@nestling/core/pitch'
import { chanceOf, type PlaceRule, type RunStep, runOf } from '@nestling/core/practice'
import { writeFrets } from '@nestling/core/voicing'
import type { APIRoute } from 'astro'
import { type RUN_PLACES, RunQuery } from '../../contracts/queries.ts'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readQuery, refuse, refuseWith } from './_respond.ts'
import { SCRIPTS_INSTRUMENT } from './_shape.ts'

/** No run goes beyond: higher up shapes are crowded. */
const FRET_MAX = 15

/** `GET /api/run?material=m7&cycle=fourths&from=E&place=6-and-5`: a chord through its roots, the hand moving least. */
export const GET: APIRoute = ({ url }) => {
  const query = readQuery(url, RunQuery)
  if (!query.ok) return query.response
  const { material, cycle, from, place, down, all, seed } = query.value
  const root = readNote(from)
  if (root === undefined || root.length !== from.trim().length)
    return refuseWith('from', {
      message: `${from} is no root; expected a note name such as E, F# or Bb`,
      expected: 'a note name such as E, F# or Bb',
    })
  // A sign behind the C would be its own.
  const [before, after] = /^[b#]/.test(material) ? ['C(', ')'] : ['C', '']
  const read = readSymbol(`${before}${material}${after}`)
  if (!read.ok) return refuse('material', { ...read.error, at: Math.max(0, read.error.at - before.length) })
  if (read.value.bass !== undefined)
    return refuseWith('material', {
      message: `${material} has a bass of its own; expected what stands behind a root, such as m7, maj9 or 7b9`,
      expected: 'what stands behind a root, such as m7, maj9 or 7b9',
    })
  const player = playerOf(DEFAULT_SETTINGS, SCRIPTS_INSTRUMENT)
  const neck = neckOf(player.instrument)
  const steps = runOf(
    {
      formula: read.value.formula,
      cycle,
      from: root,
      down: down === 'true',
      all: all === 'true',
      random: chanceOf(seed),
      rule: ruleOf(place, neck.open.length),
      fretMax: FRET_MAX,
    },
    neck,
    player.hand,
  )
  return Response.json({ steps: steps.map(told) })
}

function ruleOf(place: (typeof RUN_PLACES)[number], count: number): PlaceRule {
  const strings = (...numbers: readonly number[]) => numbers.map((number) => stringIndex(number, count))
  if (place === 'nearest') return { kind: 'nearest', strings: strings(6, 5, 4) }
  return { kind: 'in-turn', strings: strings(...place.split('-and-').map(Number)) }
}

function told({ root, twin, chord, shape, hopFrets, hopMm }: RunStep) {
  const symbol = writeSymbol(chord, { ascii: true })
  const names = { root, ...(twin ? { twin } : {}), symbol }
  if (!shape) return { ...names, why: 'no shape of it lies on these strings within these frets' }
  return { ...names, frets: writeFrets(shape.frets), hopFrets: hopFrets ?? 0, hopMm: Math.round(hopMm ?? 0) }
}
