/**
 * MusicXML, partwise: of the first part that has chord symbols, its harmonies with their frames, metre, tempo, parts, repeats
 * and endings. Notes, other parts and jumps are left aside, and that is told.
 */
import { type ChartBar, type HeldChord, MOST_BARS, STYLES, type Style } from '@nestling/core/chart'
import type { Chord } from '@nestling/core/chord'
import { type Key, readKey } from '@nestling/core/key'
import { COMMON_TUNINGS, readTuning, STANDARD_TUNING, type Tuning } from '@nestling/core/neck'
import { LETTERS, type NoteName, noteNameOf, pitchClassOf } from '@nestling/core/pitch'
import { fail, ok } from '@nestling/core/result'
import { beatsInBar, FOUR_FOUR, type Metre } from '@nestling/core/time'
import { type FileProblem, MOST_FILE_CHORDS, problem } from '../file/index.ts'
import { type FileReading, filledBar, type Onset } from '../tune/index.ts'
import { type DegreeChange, formulaOfKind } from './kinds.ts'
import { childOf, childrenOf, type Element, numberIn, readXml, textIn } from './xml.ts'

export function readMusicXml(text: string): FileReading {
  const xml = readXml(text)
  if (!xml.ok) return xml
  const score = xml.value
  if (score.name === 'score-timewise') return fail(problem('timewise'))
  if (score.name !== 'score-partwise') return fail(problem('not_musicxml', 0, score.name))
  const parts = childrenOf(score, 'part')
  const part = parts.find((one) => one.children.some((measure) => childOf(measure, 'harmony')))
  if (part === undefined) return fail(problem('no_chords'))
  const left: FileProblem[] = parts
    .filter((one) => one !== part)
    .map((one) => problem('part_left', 0, one.attributes['id'] ?? ''))
  const measures = childrenOf(part, 'measure')
  if (measures.length > MOST_BARS) return fail(problem('too_many_chords', 0, `${MOST_BARS} bars`))
  const tuning = tuningIn(part)
  const bars: ChartBar[] = []
  const shapes: (readonly (HeldChord | undefined)[])[] = []
  let metre: Metre = FOUR_FOUR
  let first: Metre | undefined
  let key: Key | undefined
  let tempo: number | undefined
  let style: Style = 'straight'
  let divisions = 1
  let chords = 0
  let notes = 0
  let ending: number | undefined
  let sounding = false
  let jumps = false
  for (const [index, measure] of measures.entries()) {
    const place = index + 1
    const onsets: (Onset & { readonly isRest: boolean })[] = []
    let marks: Partial<ChartBar> = {}
    let at = 0
    let longest = 0
    for (const element of measure.children) {
      switch (element.name) {
        case 'attributes': {
          divisions = numberIn(element, 'divisions') ?? divisions
          const time = childOf(element, 'time')
          const stated = time && metreOf(textIn(time, 'beats'), textIn(time, 'beat-type'))
          if (time && !stated)
            left.push(problem('not_a_metre', place, `${textIn(time, 'beats')}/${textIn(time, 'beat-type')}`))
          if (stated) {
            if (bars.length > 0 && (stated.count !== metre.count || stated.unit !== metre.unit))
              marks = { ...marks, metre: stated }
            metre = stated
          }
          const fifths = numberIn(element, 'key', 'fifths')
          if (fifths !== undefined && key === undefined) key = keyOf(fifths, textIn(element, 'key', 'mode') ?? 'major')
          break
        }
        case 'backup':
          at -= (numberIn(element, 'duration') ?? 0) / divisions
          break
        case 'forward':
          at += (numberIn(element, 'duration') ?? 0) / divisions
          break
        case 'note':
          if (childOf(element, 'chord') === undefined && childOf(element, 'grace') === undefined)
            at += (numberIn(element, 'duration') ?? 0) / divisions
          if (childOf(element, 'pitch') && textIn(element, 'staff') !== '2') notes++
          break
        case 'direction': {
          const rehearsal = textIn(childOf(element, 'direction-type'), 'rehearsal')
          if (rehearsal && /^[^[\]|\d]/.test(rehearsal)) marks = { ...marks, part: rehearsal.slice(0, 20) }
          const words = textIn(childOf(element, 'direction-type'), 'words')?.toLowerCase()
          style = STYLES.find((one) => one === words) ?? style
          const bpm = tempoIn(element)
          if (bpm !== undefined && index === 0) tempo = bpm
          else if (bpm !== undefined) marks = { ...marks, tempoBpm: bpm }
          const sound = childOf(element, 'sound')
          if (sound && ['dacapo', 'dalsegno', 'tocoda'].some((name) => name in sound.attributes)) jumps = true
          break
        }
        case 'barline': {
          const repeat = childOf(element, 'repeat')?.attributes
          if (repeat?.['direction'] === 'forward') marks = { ...marks, opens: true }
          if (repeat?.['direction'] === 'backward') marks = { ...marks, closes: true }
          if (Number(repeat?.['times'] ?? 2) > 2) jumps = true
          const sign = childOf(element, 'ending')?.attributes
          if (sign?.['type'] === 'start') ending = Number.parseInt(sign['number'] ?? '1', 10) || 1
          if (ending !== undefined) marks = { ...marks, ending }
          if (sign?.['type'] === 'stop' || sign?.['type'] === 'discontinue') ending = undefined
          break
        }
        case 'harmony': {
          const offset = (numberIn(element, 'offset') ?? 0) / divisions
          const read = harmonyOf(element, tuning)
          if (read === undefined) left.push(problem('not_a_chord', place, textIn(element, 'kind') ?? 'function'))
          else {
            onsets.push({ ...read, at: Math.max(0, at + offset), isRest: read.chord === undefined })
            if (read.badFrame) left.push(problem('not_a_shape', place))
            if (read.chord) chords++
          }
          break
        }
      }
      longest = Math.max(longest, at)
    }
    if (ending !== undefined && marks.ending === undefined) marks = { ...marks, ending }
    first ??= metre
    const beats = beatsInBar(metre)
    const isPickup = index === 0 && longest > 0 && longest < beats - 0.02
    if (isPickup) left.push(problem('pickup', place))
    if (isPickup && onsets.length === 0) continue
    const shifted = isPickup ? onsets.map((one) => ({ ...one, at: one.at + beats - longest })) : onsets
    const { slots, shapes: held, moved } = filledBar(shifted, metre, sounding)
    if (moved) left.push(problem('moved', place, String(place)))
    sounding = onsets.length > 0 ? !onsets.at(-1)?.isRest : sounding
    bars.push({ slots, ...marks })
    shapes.push(held)
    if (chords > MOST_FILE_CHORDS) return fail(problem('too_many_chords', place, String(MOST_FILE_CHORDS)))
  }
  if (chords === 0) return fail(problem('no_chords'))
  if (jumps) left.push(problem('repeats_left'))
  if (notes > 0) left.push(problem('notes_left', 0, String(notes)))
  const title = textIn(score, 'work', 'work-title') || textIn(score, 'movement-title') || ''
  const remarks = childrenOf(childOf(score, 'identification', 'miscellaneous'), 'miscellaneous-field').map(
    ({ text: one }) => one,
  )
  return ok({
    tunes: [
      {
        tune: {
          chart: {
            title: title.slice(0, 60),
            metre: first ?? FOUR_FOUR,
            style,
            bars,
            ...(key ? { key } : {}),
            ...(tempo === undefined ? {} : { tempoBpm: tempo }),
          },
          tuning,
          shapes,
        },
        remarks,
      },
    ],
    shapes: [],
    left,
  })
}

function metreOf(beats = '', unit = ''): Metre | undefined {
  const [count, of] = [Number(beats), Number(unit)]
  return Number.isInteger(count) && count >= 1 && count <= 16 && (of === 2 || of === 4 || of === 8)
    ? { count, unit: of }
    : undefined
}

const MAJORS = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#']
/** The step of the major scale on which each mode begins. */
const MODE_STEPS: Readonly<Record<string, readonly [number, string]>> = {
  major: [0, ''],
  ionian: [0, ''],
  dorian: [1, ' Dorian'],
  phrygian: [2, ' Phrygian'],
  lydian: [3, ' Lydian'],
  mixolydian: [4, ' Mixolydian'],
  minor: [5, 'm'],
  aeolian: [5, 'm'],
  locrian: [6, ' Locrian'],
}

function keyOf(fifths: number, mode: string): Key | undefined {
  const major = readKey(MAJORS[fifths + 7] ?? '')
  const [step, name] = MODE_STEPS[mode] ?? [0, '']
  if (!major.ok) return undefined
  const read = readKey(`${major.value.notes[step]}${name}`)
  return read.ok ? read.value : undefined
}

/** Quarter notes in a minute. */
function tempoIn(direction: Element): number | undefined {
  const metronome = childOf(childOf(direction, 'direction-type'), 'metronome')
  const unit = { half: 2, quarter: 1, eighth: 0.5 }[textIn(metronome, 'beat-unit') ?? ''] ?? 1
  const dotted = childOf(metronome, 'beat-unit-dot') ? 1.5 : 1
  const marked = numberIn(metronome, 'per-minute')
  const sounded = Number(childOf(direction, 'sound')?.attributes['tempo'])
  const bpm = Math.round(marked === undefined ? sounded : marked * unit * dotted)
  return bpm >= 20 && bpm <= 300 ? bpm : undefined
}

interface Harmony {
  readonly chord: Chord | undefined
  readonly held?: HeldChord | undefined
  readonly badFrame: boolean
}

/** `undefined` where it is no chord that has a formula; without a chord where it says that there is none. */
function harmonyOf(element: Element, tuning: Tuning): Harmony | undefined {
  const kind = textIn(element, 'kind') ?? 'major'
  if (kind === 'none') return { chord: undefined, badFrame: false }
  const root = noteIn(childOf(element, 'root'), 'root')
  if (root === undefined) return undefined
  const changes = childrenOf(element, 'degree').map(
    (degree): DegreeChange => ({
      value: numberIn(degree, 'degree-value') ?? 0,
      alter: numberIn(degree, 'degree-alter') ?? 0,
      type: typeOf(textIn(degree, 'degree-type')),
    }),
  )
  const formula = formulaOfKind(kind, changes)
  if (formula === undefined) return undefined
  const bass = noteIn(childOf(element, 'bass'), 'bass')
  const isOwn = bass === undefined || pitchClassOf(bass) === pitchClassOf(root)
  const frame = childOf(element, 'frame')
  const held = frame && frameOf(frame, tuning)
  return {
    chord: isOwn ? { root, formula } : { root, formula, bass },
    ...(held ? { held } : {}),
    badFrame: frame !== undefined && held === undefined,
  }
}
const typeOf = (text: string | undefined): DegreeChange['type'] =>
  text === 'alter' || text === 'subtract' ? text : 'add'

function noteIn(element: Element | undefined, prefix: string): NoteName | undefined {
  const step = textIn(element, `${prefix}-step`)
  const alter = numberIn(element, `${prefix}-alter`) ?? 0
  if (step === undefined || !/^[A-G]$/.test(step)) return undefined
  return noteNameOf(LETTERS.indexOf(step as 'A'), alter)
}

function frameOf(frame: Element, tuning: Tuning): HeldChord | undefined {
  const strings = numberIn(frame, 'frame-strings') ?? 6
  if (strings !== tuning.strings.length) return undefined
  const frets: (number | null)[] = Array.from({ length: strings }, () => null)
  const fingers: (1 | 2 | 3 | 4 | 'T' | null)[] = frets.map(() => null)
  for (const note of childrenOf(frame, 'frame-note')) {
    const [string, fret] = [numberIn(note, 'string') ?? 0, numberIn(note, 'fret') ?? -1]
    const index = strings - string
    if (!Number.isInteger(fret) || fret < 0 || fret > 36 || index < 0 || index >= strings) return undefined
    frets[index] = fret
    const finger = textIn(note, 'fingering')
    if (fret > 0 && finger !== undefined && /^([1-4]|T)$/.test(finger))
      fingers[index] = finger === 'T' ? 'T' : (Number(finger) as 1 | 2 | 3 | 4)
  }
  if (frets.every((fret) => fret === null)) return undefined
  return { frets, ...(fingers.some((finger) => finger !== null) ? { fingers } : {}) }
}

/** As the part tells it; otherwise the usual one for as many strings as its frames have. */
function tuningIn(part: Element): Tuning {
  for (const measure of part.children) {
    for (const details of childrenOf(childOf(measure, 'attributes'), 'staff-details')) {
      const strings = childrenOf(details, 'staff-tuning').toSorted(
        (a, b) => Number(a.attributes['line']) - Number(b.attributes['line']),
      )
      const texts = strings.map((string) => {
        const alter = numberIn(string, 'tuning-alter') ?? 0
        return `${textIn(string, 'tuning-step')}${(alter < 0 ? 'b' : '#').repeat(Math.abs(alter))}${textIn(string, 'tuning-octave')}`
      })
      const read = readTuning(texts.join(','))
      if (read.ok) return read.value
    }
    const frames = childrenOf(measure, 'harmony').map((harmony) => numberIn(childOf(harmony, 'frame'), 'frame-strings'))
    const strings = frames.find((count) => count !== undefined)
    if (strings !== undefined)
      return [STANDARD_TUNING, ...COMMON_TUNINGS].find((tuning) => tuning.strings.length === strings) ?? STANDARD_TUNING
  }
  return STANDARD_TUNING
}
