/** What the neck and the panels show: the shape in hand, or the one that is previewed for a moment. */
import { useStore } from '@nanostores/react'
import { instrumentFor } from '@nestling/core/build'
import { type Fingering, fingeringsOf, type SilentString, silentStrings } from '@nestling/core/hand'
import { degreeAmong } from '@nestling/core/name'
import { type Neck, neckOf, soundingMidi } from '@nestling/core/neck'
import { type Degree, type NoteName, pitchClassOf, plainName, spellDegree } from '@nestling/core/pitch'
import { type Frets, type Voicing, voicingOf, writeShape } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import { useMemo } from 'react'
import type { BuildState } from '../../state/build/index.ts'

/** Which fingering of a shape the player wants to see, by the shape's text: fingers, lowest string first. */
export const $chosenFingers = atom<Readonly<Record<string, string>>>({})

export const fingersText = (fingering: Fingering): string => fingering.fingers.map((finger) => finger ?? 'x').join('')

export interface Told {
  readonly degree: Degree
  readonly note: NoteName
}

/** What every sounded string plays over a chord; a tone outside it is told by its distance from the root. */
export function toldOver(chord: Voicing['chord'], frets: Frets, neck: Neck): readonly (Told | null)[] {
  const voicing = voicingOf(chord, frets, neck)
  if (voicing)
    return voicing.degrees.map((degree, string) =>
      degree === null ? null : { degree, note: voicing.notes[string] as NoteName },
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
  readonly told: readonly (Told | null)[]
  /** All workable ones, best first. */
  readonly fingerings: readonly Fingering[]
  /** The player's choice of them, or the best. */
  readonly fingering: Fingering | undefined
  readonly silent: readonly SilentString[]
}

export function useShapeInHand({ build, frets, setting }: BuildState): ShapeInHand {
  const chosen = useStore($chosenFingers)
  const neck = useMemo(() => neckOf(instrumentFor(build, setting)), [build, setting])
  const wanted = frets === undefined ? undefined : chosen[writeShape(frets)]
  return useMemo(() => {
    if (frets === undefined || frets.every((fret) => fret === null))
      return { neck, voicing: undefined, told: [], fingerings: [], fingering: undefined, silent: [] }
    const fingerings = fingeringsOf(neck, frets, setting.hand, { thumb: setting.thumb })
    const fingering = fingerings.find((one) => fingersText(one) === wanted) ?? fingerings[0]
    return {
      neck,
      voicing: voicingOf(build.chord, frets, neck),
      told: toldOver(build.chord, frets, neck),
      fingerings,
      fingering,
      silent: fingering ? silentStrings(neck, frets, fingering, setting.instrument.pluck) : [],
    }
  }, [neck, build.chord, frets, setting, wanted])
}
