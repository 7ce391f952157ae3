/** The acts of a run: start, look, hear, say how it went. */
import { useStore } from '@nanostores/react'
import { GRADES } from '@nestling/core/practice'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { LineField, LineProblem } from '../../controls/LineField.tsx'
import { Word } from '../../controls/Word.tsx'
import { CHORD_PLAYS, type ChordPlays } from '../../ear/chordPlayer.ts'
import { openKeys } from '../../shell/help.ts'
import { $waiting } from '../../state/attempts.ts'
import { $session, changeSettings } from '../../state/session.ts'
import { GRADE_WORDS } from '../../words/practice.ts'
import { counted } from '../../words/shapes.ts'
import { makeCards } from './makeCards.ts'
import { proposed } from './round.ts'
import { RUN_INPUT_ID, type RunState } from './useRun.ts'
import type { Who } from './useRunEar.ts'

const PLAYS_WORDS: Readonly<Record<ChordPlays, string>> = {
  right: 'plays it right',
  mixed: 'slips now and then',
  late: 'drags behind',
  dull: 'lets a string die',
  missing: 'misses a string',
  'a fret off': 'is a fret off',
  rings: 'lets a string ring',
  noise: 'is drowned by noise',
  silent: 'doesn’t play',
}
const WHO: readonly Who[] = ['microphone', ...CHORD_PLAYS]
const whoWords = (who: Who): string =>
  who === 'microphone' ? 'the microphone' : `a simulated player who ${PLAYS_WORDS[who]}`

export const earOnOff = () => changeSettings({ earJudges: !$session.get().settings.earJudges })

export function Acts({ state }: { readonly state: RunState }) {
  const { settings } = useStore($session)
  const { status, round, typed, type, finish } = state
  const isOn = status !== 'off'
  const stands = isOn && round.at >= 0 ? proposed(round) : undefined
  const acts: readonly (readonly Act[])[] = [
    [
      { words: isOn ? 'Stop' : 'Start', keyHint: 'Space', isMain: true, run: state.startOrStop },
      { words: 'show it', keyHint: 'S', run: state.show },
      { words: 'play it', keyHint: 'H', run: state.hear },
    ],
    // They are about the root that sounds.
    (isOn ? GRADES : []).map((grade, index) => ({
      words: GRADE_WORDS[grade],
      keyHint: String(index + 1),
      disabled: round.at < 0,
      mark: stands === grade ? ('proposed' as const) : undefined,
      run: () => state.grade(grade),
    })),
    [{ words: 'the ear judges', keyHint: 'E', mark: settings.earJudges ? 'on' : undefined, run: earOnOff }],
    isOn
      ? []
      : [
          { words: 'Make cards', keyHint: 'M', run: () => void makeCards(state) },
          { words: 'Cards', href: '/cards' },
          { words: 'Logbook', href: '/logbook' },
        ],
  ]
  return (
    <ActLine
      field={
        <LineField
          id={RUN_INPUT_ID}
          typed={typed}
          type={type}
          finish={finish}
          goingOn={state.goingOn}
          label="A run, such as m7 on 5 and 6 fourths from E 80"
        />
      }
      problem={typed.problem && <LineProblem id={RUN_INPUT_ID} typed={typed} here="Practice" type={type} />}
      acts={acts.filter((group) => group.length > 0)}
      past={state}
      undo={state.undo}
      redo={state.redo}
      openKeys={openKeys}
    />
  )
}

/** What the ear says, who it is, and what could not be kept. */
export function Note({ state }: { readonly state: RunState }) {
  const { settings } = useStore($session)
  const waiting = useStore($waiting)
  const { status, round, ear } = state
  if (waiting > 0)
    return (
      <span role="alert">
        {counted(waiting, 'root')} not kept yet: the server does not answer. They wait here and are sent again.
      </span>
    )
  if (status === 'off' && settings.earJudges) {
    const useChoices = () => WHO.map((who) => ({ value: who, words: whoWords(who), now: who === ear.who }))
    return (
      <>
        it listens to <Word label="Listen to" now={whoWords(ear.who)} useChoices={useChoices} take={ear.setWho} />
      </>
    )
  }
  if (status === 'off' || round.at < 0) return null
  const stands = proposed(round)
  if (stands === undefined) {
    if (ear.isOn) return settings.earJudges ? 'it listens' : 'it listens until the run is stopped'
    return settings.earJudges ? 'the ear judges from the next start on' : null
  }
  return `${round.chosen === undefined ? 'it says' : 'you say'} ${GRADE_WORDS[stands]}: taken at the next bar${round.chosen === undefined ? ' unless you say otherwise' : ''}`
}
