/** Music as a sound file (WAV), rendered as quickly as the machine can, by the same band and clock that are heard. */

import { type Score, secondsOf } from '@nestling/core/time'
import { type BandVolumes, createBand } from './band.ts'
import { type ClockOptions, scheduleScore } from './schedule.ts'
import { soundsClient } from './soundsClient.ts'

const SAMPLE_RATE = 44_100
/** The last note rings out. */
const TAIL_S = 2.5

/** @param score Played once, whether or not it is a loop. */
export async function soundFile(
  score: Score,
  options: Omit<ClockOptions, 'onEvent' | 'onRound'> & { readonly volumes: BandVolumes },
): Promise<Blob> {
  const [tone, { default: toWav }] = await Promise.all([import('tone'), import('audiobuffer-to-wav')])
  const { render } = soundsClient()
  const seconds = secondsOf(score, options.tempo) + TAIL_S
  const rendered = await tone.Offline(
    async (context) => {
      const band = createBand(tone, context, render)
      band.setVolumes(options.volumes)
      await band.prepare(score.events)
      scheduleScore(context.transport, band, { ...score, loop: false }, options)
      context.transport.start(0)
    },
    seconds,
    1,
    SAMPLE_RATE,
  )
  const buffer = rendered.get()
  if (!buffer) throw new Error('nothing was rendered')
  return new Blob([toWav(buffer)], { type: 'audio/wav' })
}
