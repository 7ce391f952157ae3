/** What the neck and the panels show: the shape in hand, or the one that is previewed for a moment. */

import {
  type Fingering,
  fingeringsOf,
  type HandVerdict,
  handOn,
  handVerdict,
  type SilentString,
  silentStrings,
} from '@nestling/core/hand'
import { degreeAmong } from '@nestling/core/name'
import { type Neck, neckOf, soundingMidi } from '@nestling/core/neck'
import { type Degree, type NoteName, pitchClassOf, plainName, spellDegree } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import { requireAt } from '@nestling/core/result'
import { type Frets, type Voicing, voicingOf } from '@nestling/core/voicing'
import { useMemo } from 'react'
import type { WorkbenchState } from '../../state/workbench/index.ts'

/** What a string plays over a chord. */
export interface StringTone {
  readonly degree: Degree
  readonly note: NoteName
}

/** What every sounded string plays over a chord; a tone outside it is told by its distance from the root. */
export function tonesOver(chord: Voicing['chord'], frets: Frets, neck: Neck): readonly (StringTone | null)[] {
  const voicing = voicingOf(chord, frets, neck)
  if (voicing)
    return voicing.degrees.map((degree, string) =>
      degree === null ? null : { degree, note: requireAt(voicing.notes, string) },
    )
  const root = pitchClassOf(chord.root)
  const above = (midi: number) => (midi - root + 120) % 12
  const midis = frets.map((fret, string) => (fret === null ? null : soundingMidi(neck, string, fret)))
  const mask = midis.reduce<number>((bits, midi) => (midi === null ? bits : bits | (1 << above(midi))), 0)
  return midis.map((midi) => {
    if (midi === null) return null
    const degree = degreeAmong(above(midi), mask)
    return { degree, note: spellDegree(chord.root, degree) ?? plainName(midi % 12) }
  })
}

export interface ShapeInHand {
  readonly neck: Neck
  readonly voicing: Voicing | undefined
  readonly tones: readonly (StringTone | null)[]
  /** All workable ones, best first; counted when they are asked for. */
  readonly fingerings: () => readonly Fingering[]
  /** The player's choice of them, or the best. */
  readonly fingering: Fingering | undefined
  readonly verdict: HandVerdict | undefined
  readonly silent: readonly SilentString[]
}

export function useShapeInHand({ question, frets, fingers, player }: WorkbenchState): ShapeInHand {
  const neck = useMemo(() => neckOf(instrumentFor(question, player)), [question, player])
  return useMemo(() => {
    if (frets === undefined || frets.every((fret) => fret === null))
      return {
        neck,
        voicing: undefined,
        tones: [],
        fingerings: () => [],
        fingering: undefined,
        verdict: undefined,
        silent: [],
      }
    const { hand, thumb } = player
    let all: readonly Fingering[] | undefined
    const fingerings = () => {
      all ??= fingeringsOf(neck, frets, hand, { thumb })
      return all
    }
    const chosen = fingers && fingerings().find((one) => one.fingers.join() === fingers.join())
    const fingering = chosen ?? handOn(neck, hand, { thumb }).bestFingering(frets)
    return {
      neck,
      voicing: voicingOf(question.chord, frets, neck),
      tones: tonesOver(question.chord, frets, neck),
      fingerings,
      fingering,
      verdict: handVerdict(frets, neck, hand, fingering, { thumb }),
      silent: fingering ? silentStrings(neck, frets, fingering, player.instrument.pluck) : [],
    }
  }, [neck, question.chord, frets, player, fingers])
}
