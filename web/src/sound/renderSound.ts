/** From the name of a sound to its samples. */

import { TIMBRES } from '@nestling/core/neck'
import { DRUMS } from '@nestling/core/time'
import { renderClick, renderDrum } from './drumSounds.ts'
import { renderPluck } from './pluckedString.ts'

/** @throws RangeError for a name that no part of the band uses. */
export function renderSound(sound: string, sampleRate: number): Float32Array<ArrayBuffer> {
  const [kind, which, of] = sound.split(' ')
  const timbre = TIMBRES.find((one) => one === of)
  if (kind === 'pluck' && timbre) return renderPluck(Number(which), sampleRate, timbre)
  if (kind === 'bass') return renderPluck(Number(which), sampleRate, 'bass')
  if (kind === 'click') return renderClick(which === 'accent', sampleRate)
  const drum = DRUMS.find((one) => one === which)
  if (kind === 'drum' && drum) return renderDrum(drum, sampleRate)
  throw new RangeError(`no part of the band sounds ${sound}`)
}
