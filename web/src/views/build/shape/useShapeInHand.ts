import { type Fingering, type SilentString, shapeWithHand, silentStrings } from '@nestling/core/hand'
import { neckOf } from '@nestling/core/neck'
import type { Voicing } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { type BuildState, voicingInHand } from '../../../state/build.ts'

export interface ShapeInHand {
  readonly voicing: Voicing | undefined
  readonly fingering: Fingering | undefined
  readonly silent: readonly SilentString[]
}

/** The shape in hand with its best fingering and what happens to the strings that stay silent. */
export function useShapeInHand({ build, frets, setting }: BuildState): ShapeInHand {
  return useMemo(() => {
    const voicing = voicingInHand({ build, frets, setting } as BuildState)
    if (!voicing) return { voicing: undefined, fingering: undefined, silent: [] }
    const neck = neckOf(setting.instrument)
    const { fingering } = shapeWithHand(voicing.frets, neck, setting.hand, { thumb: setting.thumb })
    return {
      voicing,
      fingering,
      silent: fingering ? silentStrings(neck, voicing.frets, fingering, setting.instrument.pluck) : [],
    }
  }, [build, frets, setting])
}
