/** A score as a Standard MIDI File, format 1: tempo, metre and chord names first, then strings, bass and drums. */
import type { Key } from '@nestling/core/key'
import { alterationOf } from '@nestling/core/pitch'
import type { BassEvent, Drum, Metre, Score, StringEvent } from '@nestling/core/time'
import { Midi } from './package.ts'

/** What the notes alone don't tell. */
export interface MidiAbout {
  readonly title: string
  readonly key: Key | undefined
  /** Quarter notes in a minute. */
  readonly tempo: number
  /** Where a metre begins, in beats from the start. */
  readonly metres: readonly { readonly at: number; readonly metre: Metre }[]
  /** Chord names as markers: a reader need not guess. */
  readonly chords: readonly { readonly at: number; readonly symbol: string }[]
}

/** Ticks in a quarter note. */
export const TICKS = 480
/** General MIDI: a nylon-string guitar, an acoustic bass, and the drums on the tenth channel. */
const GUITAR = 24
const BASS = 32
const DRUM_CHANNEL = 9
const DRUM_NOTES: Readonly<Record<Drum, number>> = { kick: 36, snare: 38, hat: 42 }
const DRUM_BEATS = 0.25

const ticks = (beats: number): number => Math.round(beats * TICKS)

export function writeMidi(score: Score, { title, key, tempo, metres, chords }: MidiAbout): Uint8Array {
  const midi = new Midi()
  const { header } = midi
  header.name = latin(title)
  header.tempos = (score.paces ?? [{ at: 0, factor: 1 }]).map(({ at, factor }) => ({
    ticks: ticks(at),
    bpm: tempo * factor,
  }))
  header.timeSignatures = metres.map(({ at, metre }) => ({
    ticks: ticks(at),
    timeSignature: [metre.count, metre.unit],
  }))
  const signature = key && signatureOf(key)
  if (signature) header.keySignatures = [{ ticks: 0, key: signature.key, scale: signature.scale }]
  header.meta = chords.map(({ at, symbol }) => ({ type: 'marker', text: symbol, ticks: ticks(at) }))
  header.update()

  const end = score.beats
  const strings = score.events.filter((event): event is StringEvent => event.part === 'strings')
  if (strings.length > 0) {
    const track = midi.addTrack()
    track.name = 'Strings'
    track.channel = 0
    track.instrument.number = GUITAR
    for (const note of ringing(strings, end)) track.addNote(note)
  }
  const bass = score.events.filter((event): event is BassEvent => event.part === 'bass').sort((a, b) => a.at - b.at)
  if (bass.length > 0) {
    const track = midi.addTrack()
    track.name = 'Bass'
    track.channel = 1
    track.instrument.number = BASS
    for (const [index, { at, midi: note, length, loud }] of bass.entries()) {
      const next = bass[index + 1]?.at ?? end
      track.addNote({
        midi: note,
        ticks: ticks(at),
        durationTicks: Math.max(1, ticks(Math.min(at + (length ?? end), next, end)) - ticks(at)),
        velocity: loud,
      })
    }
  }
  const drums = score.events.filter((event) => event.part === 'drums')
  if (drums.length > 0) {
    const track = midi.addTrack()
    track.name = 'Drums'
    track.channel = DRUM_CHANNEL
    const seen = new Set<string>()
    for (const { at, drum, loud } of drums) {
      const note = DRUM_NOTES[drum]
      if (seen.has(`${ticks(at)} ${note}`)) continue
      seen.add(`${ticks(at)} ${note}`)
      track.addNote({ midi: note, ticks: ticks(at), durationTicks: ticks(DRUM_BEATS), velocity: loud })
    }
  }
  const bytes = midi.toArray()
  return signature ? withSignature(bytes, signature.sharps) : bytes
}

/** The package writes a key's accidentals shifted by fourteen: the byte after `FF 59 02` is put right. */
function withSignature(bytes: Uint8Array, sharps: number): Uint8Array {
  const right = Uint8Array.from(bytes)
  const at = right.findIndex((byte, index) => byte === 0xff && right[index + 1] === 0x59 && right[index + 2] === 2)
  if (at >= 0) right[at + 3] = sharps & 0xff
  return right
}

interface Note {
  readonly midi: number
  readonly ticks: number
  readonly durationTicks: number
  readonly velocity: number
}

/**
 * Every note until it is damped, its string is struck again, or the same pitch sounds on another string: a channel can hold
 * a pitch once, and a second one would leave it hanging.
 */
function ringing(events: readonly StringEvent[], end: number): readonly Note[] {
  const sorted = events.toSorted((a, b) => a.at - b.at || a.string - b.string)
  const notes: Note[] = []
  const begun = new Set<string>()
  for (const [index, { at, midi, string, length, loud }] of sorted.entries()) {
    if (at >= end || begun.has(`${ticks(at)} ${midi}`)) continue
    begun.add(`${ticks(at)} ${midi}`)
    const next = sorted
      .slice(index + 1)
      .find((later) => ticks(later.at) > ticks(at) && (later.string === string || later.midi === midi))
    const until = Math.min(length === undefined ? end : at + length, next?.at ?? end, end)
    notes.push({
      midi,
      ticks: ticks(at),
      durationTicks: Math.max(1, ticks(until) - ticks(at)),
      velocity: Math.min(1, Math.max(0.05, loud)),
    })
  }
  return notes
}

/** The key's accidentals as the name of the major key that has them; `undefined` where no signature has them. */
function signatureOf({
  notes,
  scale,
}: Key): { readonly key: string; readonly scale: 'major' | 'minor'; readonly sharps: number } | undefined {
  const sharps = notes.reduce((sum, note) => sum + alterationOf(note), 0)
  const key = MAJOR_KEYS[sharps + 7]
  const flat = notes.some((note) => alterationOf(note) < 0)
  const sharp = notes.some((note) => alterationOf(note) > 0)
  if (key === undefined || (flat && sharp)) return undefined
  return { key, scale: scale.degrees.includes('b3') ? 'minor' : 'major', sharps }
}
export const MAJOR_KEYS: readonly string[] = [
  'Cb',
  'Gb',
  'Db',
  'Ab',
  'Eb',
  'Bb',
  'F',
  'C',
  'G',
  'D',
  'A',
  'E',
  'B',
  'F#',
  'C#',
]

/** MIDI texts are bytes: what Latin-1 has not is left out. */
const latin = (text: string): string =>
  text
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .replace(/[^\u0020-\u00ff]/g, '')
