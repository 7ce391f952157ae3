/** What a player does at the workbench. Each is one step that can be undone; `false` says that it can't be done there. */
import type { EasierWay } from '@nestling/core/answer'
import { bassDegreeOf, type Chord, plainestRoot } from '@nestling/core/chord'
import { namesOf, type ShapeName, statedFirst } from '@nestling/core/name'
import { movedName } from '@nestling/core/near'
import { pitchClassOf, spellDegree } from '@nestling/core/pitch'
import {
  type KeptWish,
  type Player,
  type Question,
  questionAround,
  readTypedLine,
  type WrittenShape,
} from '@nestling/core/request'
import type { Fingers } from '@nestling/core/shape'
import { type Frets, rotate, slide, soundingStrings, type Voicing, voicingOf } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import type { TypedRead } from '../asked.ts'
import {
  $preview,
  $workbench,
  afterStep,
  asked,
  current,
  finishLine,
  forgetHand,
  neckIn,
  step,
  voicingInHand,
} from './store.ts'
import type { Step, WorkbenchState } from './types.ts'

/** Several shapes on one line: they are about the tray, not about what is in hand. */
export const $writtenShapes = atom<readonly WrittenShape[]>([])

/** Every keystroke in the line. A text that can't be read changes nothing and says what is wrong. */
export function typeLine(line: string): void {
  const { player } = current()
  let kept: readonly KeptWish[] = []
  $writtenShapes.set([])
  const changed = asked.type(line, (text, before) => {
    const typed = readOver(text, player, before)
    if (!typed.ok) return typed
    const { question, frets, states, shapes } = typed.value
    if (shapes) {
      $writtenShapes.set(shapes)
      return { ok: true, value: undefined }
    }
    // What the program opened with is not where the hand is.
    const isFree =
      (before.isUnasked === true && question.arrangement !== before.question.arrangement) ||
      isOtherManner(question, before.question)
    if (isFree) forgetHand()
    if (states && hasShape(before)) return statedOf(text, question, before)
    kept = typed.value.kept
    return frets === undefined
      ? {
          ok: true,
          value: { question, byHand: false, stated: states, isUnasked: false, ...(isFree ? { frets: undefined } : {}) },
        }
      : { ok: true, value: { question, frets, fingers: undefined, byHand: true, stated: false, isUnasked: false } }
  })
  if (changed) afterStep(true, kept)
}

/** What the program opened with was never asked for: another chord, strings or a manner begins without it. */
function readOver(text: string, player: Player, { question, isUnasked }: Step): ReturnType<typeof readTypedLine> {
  const over = readTypedLine(text, player, question)
  if (!isUnasked) return over
  const free = readTypedLine(text, player, { ...question, arrangement: { kind: 'any' }, strings: undefined })
  const isWishAlone =
    free.ok &&
    free.value.question.strings === undefined &&
    free.value.question.manner === undefined &&
    isSameChord(free.value.question, question)
  return isWishAlone ? over : free
}

/** Played in another manner it is another grip, wherever the hand is. */
const isOtherManner = (now: Question, before: Question): boolean =>
  now.manner !== undefined && now.manner !== before.manner

const isSameChord = (a: Question, b: Question): boolean => JSON.stringify(a.chord) === JSON.stringify(b.chord)

/** A whole line that stands by itself: a completion, a text that was pasted from elsewhere. */
export function takeLine(line: string): void {
  typeLine(line)
  finishLine()
}

const hasShape = ({ frets }: Step): boolean => frets?.some((fret) => fret !== null) === true

/** "this is G7": the shape in hand keeps its frets and takes the name, if it is a shape of that chord. */
function statedOf(text: string, { chord }: Question, before: Step): TypedRead<Step> {
  const frets = before.frets as Frets
  const voicing = voicingOf(chord, frets, neckIn({ question: before.question, player: current().player }))
  if (voicing === undefined) return { ok: false, error: { code: 'not_the_shape', at: 0, text: text.trim() } }
  return { ok: true, value: { question: questionAround(voicing, before.question), byHand: true, stated: true } }
}

/** What lies easier, where one wish is let go for it. */
export const takeEasier = ({ question, frets }: EasierWay): void =>
  step({ question, frets, byHand: false, stated: false }, { search: true })

/** Takes another question as a whole: a choice of a word, a way out. */
export function takeQuestion(question: Question): void {
  const strings = (of: Question) => (of.tuning ?? current().player.instrument.tuning).strings.length
  const before = current().question
  const sameNeck = strings(question) === strings(before) && question.tuning === before.tuning
  const isFree = !sameNeck || isOtherManner(question, before)
  if (isFree) forgetHand()
  step({ question, byHand: false, stated: false, ...(isFree ? { frets: undefined } : {}) }, { search: true })
}

/**
 * A shape from the list: of the chord that is asked. One of another string set is asked for there; one of a list that is
 * about to be replaced is of the chord that the list was of.
 */
export function takeShape(frets: Frets): void {
  const now = current()
  const isOf = ({ chord }: Question) => voicingOf(chord, frets, neckIn(now)) !== undefined
  const { question } = isOf(now.question) ? now : ($workbench.get() ?? now)
  if (!isOf(question)) {
    setByHand(frets)
    return
  }
  const sounding = soundingStrings(frets)
  const isAsked = question.strings === undefined || question.strings.join() === sounding.join()
  if (isAsked && question === now.question) step({ frets, byHand: false }, { search: false, keepsLine: true })
  else
    step({ frets, byHand: false, question: isAsked ? question : { ...question, strings: sounding } }, { search: true })
}

/** Another way to finger the shape in hand. */
export const takeFingers = (fingers: Fingers | undefined): void => step({ fingers }, { search: false, keepsLine: true })

/** A shape of another chord, such as a neighbour: the question follows it. */
export const takeVoicing = (voicing: Voicing): void =>
  step(
    { frets: voicing.frets, question: questionAround(voicing, current().question), byHand: true, stated: false },
    { search: true },
  )

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
  if (!voicing) return false
  if (hasForeignBass(voicing.chord)) return invertAbove(voicing, direction)
  const next = rotate(voicing, neckIn(now), direction)
  if (!next) return false
  takeTurned(withoutBass(next), now.question)
  return true
}

/** Turned on its own strings: it stays in hand wherever it lies, and an order that was asked for turns with it. */
function takeTurned(turned: Voicing, before: Question): void {
  const around = questionAround(turned, before)
  const question: Question = {
    ...around,
    ...(before.arrangement.kind === 'list'
      ? { arrangement: { kind: 'list', degrees: turned.arrangement.degrees } as const }
      : {}),
    fretMax: Math.max(before.fretMax, ...turned.frets.map((fret) => fret ?? 0)),
  }
  step({ frets: turned.frets, question, byHand: true }, { search: true })
}

/** A bass that is no tone of the chord above it (A♭/E). */
const hasForeignBass = (chord: Chord): boolean => {
  const bass = bassDegreeOf(chord)
  return bass !== undefined && !chord.formula.includes(bass)
}

/** The chord above turns; its foreign bass stays where it is, and is still the lowest. */
function invertAbove({ chord, frets }: Voicing, direction: 1 | -1): boolean {
  const now = current()
  const neck = neckIn(now)
  const lowest = frets.findIndex((fret) => fret !== null)
  const above = voicingOf(
    { root: chord.root, formula: chord.formula },
    frets.map((fret, string) => (string === lowest ? null : fret)),
    neck,
  )
  const turned = above && rotate(above, neck, direction)
  const next =
    turned &&
    voicingOf(
      chord,
      turned.frets.map((fret, string) => (string === lowest ? (frets[lowest] ?? null) : fret)),
      neck,
    )
  const midis = next?.midis.filter((midi) => midi !== null) ?? []
  if (!next || Math.min(...midis) !== next.midis[lowest]) return false
  takeTurned(next, now.question)
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
  // A place that was typed for other strings may hold nothing on these.
  step({ question: { ...now.question, strings: moved }, byHand: false }, { search: true, kept: ['frets'] })
  return true
}

/**
 * What a shape made by hand is called. A chord that the player stated keeps its name over every shape of its own; where
 * tones of a complete chord were moved, the name leans on that chord; anything else is named from the whole shape, in
 * whatever order it was pressed.
 */
export function nameByHand(state: WorkbenchState, frets: Frets): ShapeName | undefined {
  const neck = neckIn(state)
  const { chord } = state.question
  const names = namesOf(frets, neck, { near: chord })
  if (state.stated || isThinned(frets, state.frets)) {
    const [own] = statedFirst(names, chord)
    if (own && isNamed(own, chord) && voicingOf(chord, frets, neck)) return own
  }
  const from = voicingInHand(state)
  if (from && isComplete(from) && sameStrings(from.frets, frets)) return movedName(from, frets, neck)
  return names[0]
}

const isNamed = (name: ShapeName, { root, formula }: Chord): boolean =>
  name.chord.root === root && name.chord.formula.join() === formula.join()

/** A string was silenced and nothing else: what still can be that chord is it, without its root too. */
const isThinned = (frets: Frets, before: Frets | undefined): boolean =>
  before?.length === frets.length &&
  frets.join() !== before.join() &&
  frets.every((fret, string) => fret === null || fret === before[string])

const isComplete = ({ chord, degrees }: Voicing): boolean =>
  chord.formula.every((degree) => degree === '5' || degrees.includes(degree))

const sameStrings = (a: Frets, b: Frets): boolean => a.every((fret, string) => (fret === null) === (b[string] === null))

/** The player's choice among the names of the shape in hand: it is called so from now on, and its degrees follow. */
export function takeName(chord: Chord, of?: Frets): boolean {
  const now = current()
  // Names come a moment after their shape: one of the shape before is not given to this one.
  if (of && now.frets?.join() !== of.join()) return false
  const voicing = now.frets && voicingOf(chord, now.frets, neckIn(now))
  if (!voicing) return false
  const question = questionAround(plainRootPosition(voicing, now), now.question)
  step({ question, byHand: true, stated: true }, { search: true })
  return true
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
      {
        frets,
        byHand: true,
        stated: now.stated && name.chord.root === now.question.chord.root,
        question: questionAround(plainRootPosition(voicing, now), now.question),
      },
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
