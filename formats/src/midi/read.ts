/**
 * Standard MIDI files: metre, tempo and the chords. Chord names in markers are taken as said; where there are none, the
 * notes of a bar (or of its halves, where these differ) are named by their tones, and that is told as a guess.
 */
import { type ChartBar, MOST_BARS } from '@nestling/core/chart'
import { type Chord, readSymbol } from '@nestling/core/chord'
import { type Key, readKey } from '@nestling/core/key'
import { namesOfTones } from '@nestling/core/name'
import { STANDARD_TUNING } from '@nestling/core/neck'
import { fail, ok, type Result } from '@nestling/core/result'
import { beatsInBar, FOUR_FOUR, type Metre } from '@nestling/core/time'
import { type FileProblem, MOST_FILE_BYTES, MOST_FILE_CHORDS, megabytes, problem } from '../file/index.ts'
import { type FileReading, filledBar, type Onset } from '../tune/index.ts'
import { Midi } from './package.ts'
import { MAJOR_KEYS } from './write.ts'

interface Note {
  readonly midi: number
  readonly at: number
  readonly beats: number
}

/** A chord sounds three different tones or more. */
const FEWEST_TONES = 3
const DRUM_CHANNEL = 9
/** A tone that sounds shorter than this part of a window is passing. */
const PASSING = 0.15

export function readMidi(bytes: Uint8Array): FileReading {
  const parsed = parse(bytes)
  if (!parsed.ok) return parsed
  const midi = parsed.value
  const { header } = midi
  const beat = (ticks: number) => ticks / header.ppq
  const left: FileProblem[] = []
  const notes: readonly Note[] = midi.tracks
    .filter(({ channel }) => channel !== DRUM_CHANNEL)
    .flatMap((track) =>
      track.notes.map((note) => ({ midi: note.midi, at: beat(note.ticks), beats: beat(note.durationTicks) })),
    )
    .sort((a, b) => a.at - b.at)
  const said = header.meta
    .filter(({ type }) => type === 'marker' || type === 'text' || type === 'cuePoint' || type === 'lyrics')
    .flatMap(({ ticks, text }) => {
      const read = readSymbol(text.trim())
      return read.ok ? [{ at: beat(ticks), chord: plain(read.value) }] : []
    })
  const end = Math.max(0, ...notes.map(({ at, beats }) => at + beats), ...said.map(({ at }) => at + 0.01))
  if (said.length > MOST_FILE_CHORDS) return fail(problem('too_many_chords', 0, String(MOST_FILE_CHORDS)))
  const bars: ChartBar[] = []
  let metre: Metre = FOUR_FOUR
  let first: Metre | undefined
  let sounding = false
  let guessed = 0
  let from = 0
  while (from < end - 0.01) {
    if (bars.length === MOST_BARS) return fail(problem('too_many_chords', 0, `${MOST_BARS} bars`))
    const changed = header.timeSignatures.findLast(({ ticks }) => beat(ticks) <= from + 0.01)?.timeSignature
    const now = changed && metreOf(changed)
    if (changed && !now) left.push(problem('not_a_metre', bars.length + 1, changed.join('/')))
    const isNew = now !== undefined && (now.count !== metre.count || now.unit !== metre.unit)
    if (now) metre = now
    first ??= metre
    const beats = beatsInBar(metre)
    const spoken = said.filter(({ at }) => at >= from - 0.01 && at < from + beats - 0.01)
    const onsets: readonly Onset[] =
      said.length > 0
        ? spoken.map(({ at, chord }) => ({ at: Math.max(0, at - from), chord }))
        : guessedChords(notes, from, beats)
    if (said.length === 0) guessed += onsets.length
    const tempo = header.tempos.findLast(({ ticks }) => beat(ticks) <= from + 0.01)?.bpm
    const { slots, moved } = filledBar(onsets, metre, sounding)
    if (moved) left.push(problem('moved', bars.length + 1, String(bars.length + 1)))
    const tempoBpm = bpmOf(tempo)
    bars.push({
      slots,
      ...(isNew && bars.length > 0 ? { metre } : {}),
      ...(bars.length > 0 && tempoBpm !== undefined && tempoBpm !== lastBpm(bars, bpmOf(header.tempos[0]?.bpm))
        ? { tempoBpm }
        : {}),
    })
    sounding ||= onsets.length > 0
    from += beats
  }
  if (said.length === 0 && guessed === 0) return fail(problem('no_chords'))
  if (guessed > 0) left.push(problem('guessed_chord', 0, String(guessed)))
  const tempoBpm = bpmOf(header.tempos[0]?.bpm)
  const key = keyIn(header.keySignatures[0])
  return ok({
    tunes: [
      {
        tune: {
          chart: {
            title: header.name.trim().slice(0, 60),
            metre: first ?? FOUR_FOUR,
            style: 'straight',
            bars,
            ...(key ? { key } : {}),
            ...(tempoBpm === undefined ? {} : { tempoBpm }),
          },
          tuning: STANDARD_TUNING,
          shapes: bars.map(({ slots }) => slots.map(() => undefined)),
        },
        remarks: [],
      },
    ],
    shapes: [],
    left,
  })
}

const plain = ({ root, formula, bass }: Chord): Chord =>
  bass === undefined ? { root, formula } : { root, formula, bass }
const bpmOf = (bpm: number | undefined): number | undefined =>
  bpm === undefined ? undefined : Math.min(300, Math.max(20, Math.round(bpm)))
const lastBpm = (bars: readonly ChartBar[], first: number | undefined): number | undefined =>
  bars.findLast(({ tempoBpm }) => tempoBpm !== undefined)?.tempoBpm ?? first

function parse(bytes: Uint8Array): Result<InstanceType<typeof Midi>, FileProblem> {
  if (bytes.length === 0) return fail(problem('empty'))
  if (bytes.length > MOST_FILE_BYTES) return fail(problem('too_large', 0, megabytes(MOST_FILE_BYTES)))
  const head = String.fromCharCode(...bytes.slice(0, 4))
  // The division's highest bit says that time is told in film frames: such a file has no bars.
  if (head !== 'MThd' || bytes.length < 14 || ((bytes[12] ?? 0) & 0x80) !== 0 || (bytes[12] === 0 && bytes[13] === 0))
    return fail(problem('not_midi'))
  const missing = missingAt(bytes)
  if (missing) return fail(problem('cut_short'))
  try {
    return ok(new Midi(bytes))
  } catch {
    return fail(problem('not_midi'))
  }
}

/** Whether the file ends before the tracks that it announces. */
function missingAt(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let at = 8 + view.getUint32(4)
  for (let track = view.getUint16(10); track > 0; track--) {
    if (at + 8 > bytes.length) return true
    at += 8 + view.getUint32(at + 4)
    if (at > bytes.length) return true
  }
  return false
}

function metreOf([count = 0, unit = 0]: readonly number[]): Metre | undefined {
  return count >= 1 && count <= 16 && (unit === 2 || unit === 4 || unit === 8) ? { count, unit } : undefined
}

function keyIn(signature: { readonly key: string; readonly scale: string } | undefined): Key | undefined {
  if (!signature || !MAJOR_KEYS.includes(signature.key)) return undefined
  if (signature.scale === 'major') return keyRead(readKey(signature.key))
  const major = keyRead(readKey(signature.key))
  return major && keyRead(readKey(`${major.notes[5]}m`))
}
const keyRead = (read: ReturnType<typeof readKey>): Key | undefined => (read.ok ? read.value : undefined)

/** One chord for the bar, or one for each half where they sound differently. */
function guessedChords(notes: readonly Note[], from: number, beats: number): readonly Onset[] {
  const halves = beats % 2 === 0 ? [0, beats / 2] : [0]
  const heard = halves.map((at) => chordIn(notes, from + at, beats / halves.length))
  const [one, two] = heard
  const whole = chordIn(notes, from, beats)
  if (heard.length === 2 && one && two && textOf(one) !== textOf(two) && !sameTones(notes, from, beats))
    return [
      { at: 0, chord: one },
      { at: beats / 2, chord: two },
    ]
  return whole ? [{ at: 0, chord: whole }] : []
}
const textOf = ({ root, formula, bass }: Chord): string => `${root} ${formula.join(' ')} ${bass ?? ''}`

/** The second half adds no tone to the first, or the other way round: an arpeggio over one chord. */
function sameTones(notes: readonly Note[], from: number, beats: number): boolean {
  const [one, two] = [tonesIn(notes, from, beats / 2), tonesIn(notes, from + beats / 2, beats / 2)]
  return (one.mask & two.mask) === one.mask || (one.mask & two.mask) === two.mask
}

function tonesIn(
  notes: readonly Note[],
  from: number,
  beats: number,
): { readonly mask: number; readonly lowest: number } {
  const weight = new Map<number, number>()
  let lowest = 128
  for (const { midi, at, beats: length } of notes) {
    const sounds = Math.min(at + length, from + beats) - Math.max(at, from)
    if (sounds <= 0) continue
    weight.set(midi % 12, (weight.get(midi % 12) ?? 0) + sounds)
    if (sounds > beats * PASSING) lowest = Math.min(lowest, midi)
  }
  let mask = 0
  for (const [tone, sounds] of weight) if (sounds > beats * PASSING) mask |= 1 << tone
  return { mask, lowest }
}

function chordIn(notes: readonly Note[], from: number, beats: number): Chord | undefined {
  const { mask, lowest } = tonesIn(notes, from, beats)
  const tones = [...Array(12).keys()].filter((tone) => mask & (1 << tone)).length
  if (tones < FEWEST_TONES) return undefined
  return namesOfTones({ mask, lowest: lowest % 12, openBass: false, second: lowest % 12 })[0]?.chord
}
