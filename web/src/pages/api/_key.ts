/** Reads a key out of a query: a tonic and the name of a scale. */
import { type Key, readKey } from '@nestling/core/key'
import { readNote } from '@nestling/core/pitch'
import { refuse, refuseWith } from './_respond.ts'

type Read = { readonly ok: true; readonly key: Key } | { readonly ok: false; readonly response: Response }

export function readKeyFields({ tonic, scale }: { readonly tonic: string; readonly scale: string }): Read {
  const note = readNote(tonic)
  if (note === undefined || note.length !== tonic.trim().length)
    return {
      ok: false,
      response: refuseWith('tonic', {
        message: `${tonic} is no tonic; expected a note name such as C, F# or Bb`,
        expected: 'a note name such as C, F# or Bb',
      }),
    }
  const read = readKey(`${tonic} ${scale}`)
  if (read.ok) return { ok: true, key: read.value }
  if (read.error.code === 'key_unspellable') return { ok: false, response: refuse('tonic', read.error) }
  return {
    ok: false,
    response: refuseWith('scale', {
      message: `${scale} is no scale of seven notes; expected major, Dorian, harmonic minor …`,
      expected: 'a scale of seven notes, such as major, Dorian or harmonic minor',
    }),
  }
}
