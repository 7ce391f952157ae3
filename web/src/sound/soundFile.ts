/** Music as a sound file (WAV), rendered as quickly as the machine can, by the same band and clock that are heard. */

import { type Score, secondsOf } from '@nestling/core/time'
import { type BandMix, createBand } from './band.ts'
import { type ClockOptions, scheduleScore } from './schedule.ts'
import { soundsClient } from './soundsClient.ts'

const SAMPLE_RATE = 44_100
/** Before the first note, and cut off again: nothing then begins while the band is still being set up. */
const LEAD_S = 0.1
/** The last note rings out. */
const TAIL_S = 2.5

/** @param score Played once, whether or not it is a loop. */
export async function soundFile(
  score: Score,
  options: Omit<ClockOptions, 'onEvent' | 'onRound'> & { readonly mix: BandMix },
): Promise<Blob> {
  const [tone, { default: toWav }] = await Promise.all([import('tone'), import('audiobuffer-to-wav')])
  const { render } = soundsClient()
  const seconds = LEAD_S + secondsOf(score, options.tempo) + TAIL_S
  const rendered = await tone.Offline(
    async (context) => {
      const band = createBand(tone, context, render)
      band.setMix(options.mix)
      await band.prepare(score.events)
      scheduleScore(context.transport, band, { ...score, loop: false }, options)
      context.transport.start(LEAD_S)
    },
    seconds,
    1,
    SAMPLE_RATE,
  )
  const buffer = rendered.get()
  if (!buffer) throw new Error('nothing was rendered')
  return new Blob([toWav(withoutLead(buffer))], { type: 'audio/wav' })
}

function withoutLead(buffer: AudioBuffer): AudioBuffer {
  const lead = Math.round(LEAD_S * buffer.sampleRate)
  const cut = new AudioBuffer({ length: buffer.length - lead, sampleRate: buffer.sampleRate })
  cut.copyToChannel(buffer.getChannelData(0).slice(lead), 0)
  return cut
}
