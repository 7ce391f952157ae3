/** Each voice over time as a thread: pitch upwards, the top voice bold, a number only where it moves. */
import { BASS_RANGE_BELOW } from '@nestling/core/hand'
import type { PathShape } from '@nestling/core/path'
import { spellDegree } from '@nestling/core/pitch'
import { memo } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { useEggLabels } from '../../../shell/useEggLabels.ts'
import type { PathState } from '../usePath.ts'
import { type TuneColumn, type TuneLayout, voiceMoves, voicesOf } from './layout.ts'
import classes from './Tune.module.css'

export interface VoiceScale {
  readonly y: (midi: number) => number
  readonly top: number
  readonly bottom: number
  readonly marks: readonly { readonly y: number; readonly name: string }[]
}

const LETTERS = ['C', '', '', '', '', '', '', 'G', '', '', '', ''] as const

/** The pitch axis, fitted to what sounds. */
export function voiceScale(shapes: readonly (PathShape | undefined)[], top: number, height: number): VoiceScale {
  const all = shapes.flatMap((shape) => (shape ? shape.midis.flatMap((midi) => midi ?? []) : []))
  const low = Math.min(60, ...all) - 1.5
  const high = Math.max(61, ...all) + 2
  const y = (midi: number) => top + ((high - midi) / (high - low)) * height
  const marks = Array.from(
    { length: Math.floor(high) - Math.ceil(low) + 1 },
    (_, index) => Math.ceil(low) + index,
  ).flatMap((midi) => {
    const letter = LETTERS[midi % 12]
    return letter ? [{ y: y(midi), name: `${letter}${Math.floor(midi / 12) - 1}` }] : []
  })
  return { y, top, bottom: top + height, marks }
}

export interface VoicesProps {
  readonly state: PathState
  readonly columns: readonly TuneColumn[]
  readonly layout: TuneLayout
  readonly scale: VoiceScale
}

const EGG_X = 22
/** Nearer than this two eggs would touch. */
const CLOSE_PX = 14

export const Voices = memo(function Voices({ state, columns, layout, scale }: VoicesProps) {
  const { found, plan, played } = state.answer
  const labelOf = useEggLabels()
  const bass = scale.y(BASS_RANGE_BELOW)
  const [first, last] = [columns[0], columns.at(-1)]
  return (
    <g>
      {first && last && bass < scale.bottom && (
        <rect
          x={first.x}
          y={Math.max(scale.top, bass)}
          width={last.x + last.width - first.x}
          height={scale.bottom - Math.max(scale.top, bass)}
          className={classes['bassRange']}
        />
      )}
      {columns.map(({ chord, x, width }) => {
        const shape = found.shapes[chord]
        if (!shape) return null
        const voices = voicesOf(shape)
        const next = found.shapes[chord + 1]
        const step = found.steps[chord + 1]
        const after = next && voicesOf(next)
        const nextX = layout.columns[chord + 1]?.x ?? x + width
        return (
          <g key={chord}>
            {voices.map(({ midi }, voice) => (
              <path
                key={voice}
                d={`M${x + 6} ${scale.y(midi)}H${x + width - 14}`}
                className={classes['thread']}
                data-top={voice === voices.length - 1 || undefined}
              />
            ))}
            {after &&
              step &&
              voiceMoves(step, voices.length, after.length).map(({ from, to }) => {
                const [a, b] = [voices[from], after[to]]
                if (!a || !b) return null
                const [ya, yb] = [scale.y(a.midi), scale.y(b.midi)]
                const xa = x + width - 14
                return (
                  <path
                    key={`${from}${to}`}
                    d={`M${xa} ${ya}C${xa + 10} ${ya} ${nextX - 4} ${yb} ${nextX + 6} ${yb}`}
                    className={classes['thread']}
                    data-top={(from === voices.length - 1 && to === after.length - 1) || undefined}
                  />
                )
              })}
          </g>
        )
      })}
      {columns.map(({ chord, x }) => {
        const shape = found.shapes[chord]
        if (!shape) return null
        const before = chord > 0 ? found.shapes[chord - 1] : undefined
        const step = found.steps[chord]
        const root = played.chords[chord]?.chord.root
        const voices = voicesOf(shape)
        const moves = before && step ? voiceMoves(step, voicesOf(before).length, voices.length) : []
        return (
          <g key={chord}>
            {voices.map(({ midi, degree, string }, voice) => {
              const note = root && spellDegree(root, degree)
              const finger = shape.fingering.fingers[string]
              const by = moves.find(({ to }) => to === voice)?.by ?? 0
              // Of two voices that lie so close the lower one steps aside.
              const above = voices[voice + 1]
              const aside = above && scale.y(midi) - scale.y(above.midi) < CLOSE_PX ? 20 : 0
              return (
                <g key={voice}>
                  <Egg
                    x={x + EGG_X + aside}
                    y={scale.y(midi)}
                    size={plan.chosen === chord ? 10 : 9}
                    degree={degree}
                    label={labelOf?.({ degree, note, finger, fret: shape.frets[string] ?? undefined }) ?? ''}
                  />
                  {by !== 0 && (
                    <text x={x + EGG_X - 10 + aside} y={scale.y(midi) - 5} className={classes['by']}>
                      {by > 0 ? `+${by}` : `−${-by}`}
                    </text>
                  )}
                </g>
              )
            })}
          </g>
        )
      })}
    </g>
  )
})
