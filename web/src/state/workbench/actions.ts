/** What a player does at the workbench. Each is one step that can be undone; `false` says that it can't be done there. */
import { bassDegreeOf, type Chord, plainestRoot } from '@nestling/core/chord'
import { namesOf, type ShapeName } from '@nestling/core/name'
import { movedName } from '@nestling/core/near'
import { pitchClassOf, spellDegree } from '@nestling/core/pitch'
import { type Question, questionAround, readTypedLine } from '@nestling/core/request'
import type { Fingers } from '@nestling/core/shape'
import { type Frets, rotate, slide, soundingStrings, type Voicing, voicingOf } from '@nestling/core/voicing'
import { $preview, afterStep, asked, current, neckIn, step, voicingInHand } from './store.ts'
import type { WorkbenchState } from './types.ts'

/** Every keystroke in the line. A text that can't be read keeps the last good question and says what is wrong. */
export function typeLine(line: string): void {
  const { player, question } = current()
  const read = asked.type(line, (text) => {
    const typed = readTypedLine(text, player, question)
    return typed.ok ? { ok: true, value: { question: typed.value, byHand: false } } : typed
  })
  if (read) afterStep(true)
}

/** Takes another question as a whole: a choice of a word, a way out. */
export function takeQuestion(question: Question): void {
  const strings = (of: Question) => (of.tuning ?? current().player.instrument.tuning).strings.length
  const before = current().question
  const sameNeck = strings(question) === strings(before) && question.tuning === before.tuning
  step({ question, byHand: false, ...(sameNeck ? {} : { frets: undefined }) }, { search: true })
}

/** A shape from the list: of the chord that is asked. */
export const takeShape = (frets: Frets): void => step({ frets, byHand: false }, { search: false, keepsLine: true })

/** Another way to finger the shape in hand. */
export const takeFingers = (fingers: Fingers | undefined): void => step({ fingers }, { search: false, keepsLine: true })

/** A shape of another chord, such as a neighbour: the question follows it. */
export const takeVoicing = (voicing: Voicing): void =>
  step({ frets: voicing.frets, question: questionAround(voicing, current().question), byHand: true }, { search: true })

/** Moves the shape along the neck; root and name follow. */
export function moveFret(by: 1 | -1): boolean {
  const now = current()
  const frets = now.frets && slide(now.frets, neckIn(now), by)
  if (!frets || frets.every((fret) => fret === null)) return false
  const { chord } = now.question
  const root = plainestRoot((pitchClassOf(chord.root) + by + 12) % 12, chord.formula)
  const bassDegree = bassDegreeOf(chord)
  const bass = bassDegree === undefined ? undefined : spellDegree(root, bassDegree)
  const moved: Chord = { root, formula: chord.formula, ...(bass === undefined ? {} : { bass }) }
  // The same fingers, a fret further.
  step({ frets, fingers: now.fingers, question: { ...now.question, chord: moved } }, { search: true })
  return true
}

/** The next inversion along the neck on the same strings. */
export function invert(direction: 1 | -1): boolean {
  const now = current()
  const voicing = voicingInHand(now)
  const next = voicing && rotate(voicing, neckIn(now), direction)
  if (!next) return false
  step({ frets: next.frets, question: questionAround(withoutBass(next), now.question) }, { search: true })
  return true
}

const withoutBass = (voicing: Voicing): Voicing => ({
  ...voicing,
  chord: { root: voicing.chord.root, formula: voicing.chord.formula },
})

/** The same question on the neighbouring string set: 1 towards the highest string. */
export function moveStrings(by: 1 | -1): boolean {
  const now = current()
  const used = now.question.strings ?? (now.frets && soundingStrings(now.frets))
  const strings = neckIn(now).open.length
  const moved = used?.map((index) => index + by)
  if (!moved || moved.length < 2 || moved.some((index) => index < 0 || index >= strings)) return false
  step({ question: { ...now.question, strings: moved }, byHand: false }, { search: true })
  return true
}

/** What a shape made by hand is called: near the chord that it came from, otherwise by its best name. */
export function nameByHand(state: WorkbenchState, frets: Frets): ShapeName | undefined {
  const neck = neckIn(state)
  const from = voicingInHand(state)
  return from ? movedName(from, frets, neck) : namesOf(frets, neck)[0]
}

/** Puts a shape made by hand on the neck; its name follows. A single tone keeps the chord before. */
export function setByHand(frets: Frets): void {
  const now = current()
  const neck = neckIn(now)
  const name = nameByHand(now, frets)
  const voicing = name && voicingOf(name.chord, frets, neck)
  $preview.set(undefined)
  if (voicing)
    step(
      { frets, byHand: true, question: questionAround(plainRootPosition(voicing, now), now.question) },
      { search: true },
    )
  else step({ frets, byHand: true }, { search: false })
}

/** An inversion's own bass is left out of the symbol: the sentence tells it by the bass word. */
function plainRootPosition(voicing: Voicing, { question }: WorkbenchState): Voicing {
  return question.chord.bass === undefined && voicing.inversion !== null ? withoutBass(voicing) : voicing
}

/** One string to another fret, open (0) or silent (`null`). False when it can't be pressed there. */
export function setString(string: number, fret: number | null): boolean {
  const now = current()
  const neck = neckIn(now)
  const before = now.frets ?? neck.open.map(() => null)
  if (fret !== null && fret !== 0 && (fret < (neck.firstFret[string] as number) || fret > neck.lastFret)) return false
  setByHand(before.with(string, fret))
  return true
}

/** The end of a string: sounding strings fall silent, silent ones ring open, open ones fall silent. */
export const toggleString = (string: number): boolean =>
  setString(string, current().frets?.[string] === null || current().frets?.[string] === undefined ? 0 : null)

export const clearNeck = (): void =>
  step({ frets: neckIn(current()).open.map(() => null), byHand: true }, { search: false, keepsLine: true })
