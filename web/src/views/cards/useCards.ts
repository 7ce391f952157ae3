/** The day's cards one at a time: asked, answered, told, graded, kept. */
import { useStore } from '@nanostores/react'
import { type Neck, neckOf, readTuning, stringNumber } from '@nestling/core/neck'
import { type Degree, degreeSemitones, type NoteName, pitchAt, pitchClassOf, spellDegree } from '@nestling/core/pitch'
import {
  type Card,
  type CardAnswer,
  type Checked,
  checkCard,
  type Grade,
  readCard,
  rightAnswers,
  writeSuffix,
} from '@nestling/core/practice'
import { type StringNote, soundedNotes } from '@nestling/core/time'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { type DueAnswer, type DueCard, MOST_SECONDS } from '../../contracts/practice.ts'
import { keepAttempt, sendWaiting } from '../../state/attempts.ts'
import { dueCards } from '../../state/decks.ts'
import { newId } from '../../state/ids.ts'
import { fretsTextOf } from '../../state/links.ts'
import { hearChords } from '../../state/playback.ts'
import { $player, $session } from '../../state/session.ts'
import { localDay } from '../../words/days.ts'
import { faultsOf } from '../../words/practice.ts'
import { type CardEar, type CardHeard, useCardEar } from './useCardEar.ts'

export interface Asked {
  readonly due: DueCard
  readonly card: Card
  readonly neck: Neck
}
export interface Told {
  /** What the ear heard, where the shape was played. */
  readonly heard?: CardHeard | undefined
  /** Nothing where the answer was looked up. */
  readonly answer: CardAnswer | undefined
  readonly checked: Checked
  readonly grade: Grade
}

export interface CardsState {
  readonly status: 'loading' | 'failed' | 'rest' | 'none' | 'done' | 'asking' | 'told'
  readonly problem: string | undefined
  readonly day: DueAnswer | undefined
  readonly asked: Asked | undefined
  readonly told: Told | undefined
  readonly left: readonly DueCard[]
  readonly answered: number
  readonly answer: (answer: CardAnswer) => void
  /** Looks the answer up: it was lost. */
  readonly lookUp: () => void
  readonly grade: (grade: Grade) => void
  readonly next: () => void
  readonly hear: () => void
  readonly canHear: boolean
  readonly reload: () => void
  readonly ear: CardEar
}

const GRADE_OF = { right: 'had', nearly: 'hard', wrong: 'lost' } as const

export function useCards(): CardsState {
  const player = useStore($player)
  const [day, setDay] = useState<DueAnswer | undefined>(undefined)
  const [problem, setProblem] = useState<string | undefined>(undefined)
  const [left, setLeft] = useState<readonly DueCard[]>([])
  const [told, setTold] = useState<Told | undefined>(undefined)
  const [answered, setAnswered] = useState(0)
  const shownAt = useRef(0)

  const reload = useCallback(() => {
    setProblem(undefined)
    void sendWaiting()
      .then(() => dueCards(new Date()))
      .then((reply) => {
        if (!reply.ok) return setProblem(reply.message)
        setDay(reply.value)
        setLeft(reply.value.cards)
        setTold(undefined)
        return undefined
      })
  }, [])
  useEffect(reload, [reload])

  const asked = useMemo((): Asked | undefined => {
    for (const due of left) {
      const tuning = readTuning(due.tuning)
      if (!tuning.ok) continue
      const neck = neckOf({ ...player.instrument, tuning: tuning.value, capo: undefined })
      const card = readCard(due.card, neck.open.length)
      if (card) return { due, card, neck }
    }
    return undefined
  }, [left, player])
  useEffect(() => {
    if (asked) shownAt.current = performance.now()
  }, [asked])

  const tellOf = useCallback(
    (answer: CardAnswer | undefined) => {
      if (!asked) return
      const { card, neck } = asked
      const checked: Checked = answer
        ? checkCard(card, answer, neck, player.hand)
        : { verdict: 'wrong', right: rightAnswers(card, neck, player.hand) }
      setTold({ answer, checked, grade: GRADE_OF[checked.verdict] })
    },
    [asked, player],
  )
  const answer = useCallback((given: CardAnswer) => tellOf(given), [tellOf])
  const heardShape = useCallback(
    (heard: CardHeard) => {
      if (!asked) return
      const { card, neck } = asked
      const right = rightAnswers(card, neck, player.hand)
      const isRight = heard.grade === 'had'
      setTold({
        answer: { kind: 'frets', frets: heard.frets },
        checked: { verdict: isRight ? 'right' : 'wrong', right },
        grade: heard.grade,
        heard,
      })
    },
    [asked, player],
  )
  const ear = useCardEar(told ? undefined : asked, heardShape)
  const lookUp = useCallback(() => tellOf(undefined), [tellOf])
  const grade = useCallback((next: Grade) => setTold((now) => now && { ...now, grade: next }), [])

  const next = useCallback(() => {
    if (!asked || !told) return
    const { due, card } = asked
    const now = new Date()
    void keepAttempt({
      ...aboutCard(card),
      id: newId(),
      kind: 'card',
      run: null,
      card: due.card,
      at: now.toISOString(),
      day: localDay(now),
      material: due.material,
      tuning: due.tuning,
      tempo: 0,
      grade: told.grade,
      judge: judgeOf(told),
      shown: told.answer === undefined,
      seconds: Math.min(MOST_SECONDS, (performance.now() - shownAt.current) / 1000),
      faults: told.heard ? faultsOf(told.heard.verdicts) : '',
      instrument: $session.get().instrument.name,
    }).then((reply) => {
      // The last one of the list: what was lost is due again in minutes, and asked again.
      if (reply.ok && left.length === 1) reload()
    })
    setAnswered((count) => count + 1)
    setTold(undefined)
    setLeft((all) => all.filter(({ id }) => id !== due.id))
  }, [asked, told, left, reload])

  const hear = useCallback(() => {
    if (asked) hearChords(soundsOf(asked), 'strum', 'cards', 1.1)
  }, [asked])
  const canHear = asked !== undefined && soundsOf(asked).length > 0
  // What is asked by ear is heard as soon as it is asked.
  useEffect(() => {
    if (asked && (asked.card.kind === 'which' || asked.card.kind === 'heard-step') && answered > 0) hear()
  }, [asked, answered, hear])

  const status =
    problem !== undefined
      ? 'failed'
      : day === undefined
        ? 'loading'
        : day.rest
          ? 'rest'
          : day.total === 0
            ? 'none'
            : !asked
              ? 'done'
              : told
                ? 'told'
                : 'asking'
  return { status, problem, day, asked, told, left, answered, answer, lookUp, grade, next, hear, canHear, reload, ear }
}

/** Who said how it went: the ear or the answer, unless the player said otherwise. */
const judgeOf = ({ answer, checked, grade, heard }: Told): 'ear' | 'answer' | 'player' => {
  if (heard) return grade === heard.grade ? 'ear' : 'player'
  return answer && grade === GRADE_OF[checked.verdict] ? 'answer' : 'player'
}

/** What a log entry says of a card. */
function aboutCard(card: Card) {
  const empty = { suffix: '', root: '', string: 0, frets: '' }
  switch (card.kind) {
    case 'play':
      return { ...empty, suffix: writeSuffix(card.chord.formula), root: card.root, frets: fretsTextOf(card.shape) }
    case 'degree':
      return {
        ...empty,
        suffix: writeSuffix(card.chord.formula),
        root: card.chord.root,
        frets: fretsTextOf(card.frets),
        string: stringNumber(card.string, card.frets.length),
      }
    case 'missing':
    case 'also':
    case 'name':
      return {
        ...empty,
        suffix: writeSuffix(card.chord.formula),
        root: card.chord.root,
        frets: fretsTextOf(card.frets),
      }
    case 'damps':
      return { ...empty, frets: fretsTextOf(card.frets), string: stringNumber(card.string, card.frets.length) }
    case 'step':
      return { ...empty, root: card.key.tonic }
    case 'spell':
    case 'heard-step':
      return { ...empty, root: card.root }
    case 'moves':
      return { ...empty, suffix: writeSuffix(card.from.formula), root: card.from.root }
    case 'which':
      return { ...empty, suffix: writeSuffix(card.chords[card.heard].formula), root: card.chords[card.heard].root }
  }
}

/** What is heard of a card: the shape, the chord that is meant, or a root and its step. */
function soundsOf({ card, neck }: Asked): readonly { readonly notes: readonly StringNote[] }[] {
  switch (card.kind) {
    case 'play':
      return [{ notes: soundedNotes(card.shape, neck, card.chord) }]
    case 'degree':
    case 'missing':
    case 'also':
    case 'name':
      return [{ notes: soundedNotes(card.frets, neck, card.chord) }]
    case 'damps':
    case 'step':
      return []
    case 'spell':
    case 'heard-step':
      return (['R', card.degree] as const).map((degree) => ({ notes: stacked(card.root, [degree]) }))
    case 'moves':
      return [card.from, card.to].map(({ root, formula }) => ({ notes: stacked(root, formula) }))
    case 'which':
      return [{ notes: stacked(card.chords[card.heard].root, card.chords[card.heard].formula) }]
  }
}

/** Tones above a root in the small octave, each on a string of its own: nothing is held for them. */
const stacked = (root: NoteName, degrees: readonly Degree[]): readonly StringNote[] =>
  degrees.flatMap((degree, string): readonly StringNote[] => {
    const note = spellDegree(root, degree)
    const midi = SMALL_C + pitchClassOf(root) + degreeSemitones(degree)
    return note ? [{ midi, pitch: pitchAt(note, midi), string, fret: 0 }] : []
  })
const SMALL_C = 48
