/** The state of the Arpeggio view: the plan with its undo, what is typed, what plays, the address. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { fretsOfNote, neckOf, stringIndex } from '@nestling/core/neck'
import { DEFAULT_FRET_MAX, instrumentFor, type Player, type Question, readTypedLine } from '@nestling/core/request'
import { lowestPressed } from '@nestling/core/voicing'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { stopListening } from '../../ear/listening.ts'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { useLineInAddress } from '../../shell/useLineInAddress.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { $playing, stop } from '../../sound/transport.ts'
import { createAsked, type Typed } from '../../state/asked.ts'
import { carriedOf, carry } from '../../state/carried.ts'
import { hearScore, hearTone, swingOf } from '../../state/playback.ts'
import { $player, $session } from '../../state/session.ts'
import { type Params, readPlan, writePlan } from './address.ts'
import { type ArpeggioLine, lineOf } from './plan.ts'
import { scoreOf, stringNoteOf } from './toScore.ts'
import type { Plan } from './types.ts'

export const OWNER = 'arpeggio'
export const CHORD_INPUT_ID = 'arpeggio-chord'

export interface ArpeggioState {
  readonly plan: Plan
  readonly line: ArpeggioLine
  readonly player: Player
  readonly typed: Typed
  readonly type: (text: string) => void
  readonly finish: () => void
  readonly change: (changes: Partial<Plan>) => void
  readonly undo: () => unknown
  readonly redo: () => unknown
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly loop: boolean
  readonly setLoop: (loop: boolean) => void
  readonly playOrStop: () => void
  /** The note that was last pressed, by its index in the line: the neck, the table and the notation show it. */
  readonly selected: number | undefined
  /** Selects a note and lets it be heard. */
  readonly select: (index: number) => void
}

/** The chord as it stands in the field: as the player would type it. */
const typedChord = ({ chord }: Pick<Plan, 'chord'>): string => {
  const { naming } = $session.get().settings
  return writeSymbol(chord, naming === 'letters' ? { ascii: true } : { naming })
}

/** `Edim7 on string 6`: the hand goes where the root lies on that string. */
const ROOT_STRING = /\s+(?:(?:with\s+)?(?:the\s+)?root\s+)?on\s+(?:the\s+)?string\s+(\d+)\s*$/i

function withoutRootString(written: string): { readonly line: string; readonly string: number | undefined } {
  const found = ROOT_STRING.exec(written)
  return found
    ? { line: written.slice(0, found.index), string: Number(found[1]) }
    : { line: written, string: undefined }
}

export function useArpeggio(params: Params): ArpeggioState {
  const player = useStore($player)
  const [asked] = useState(() => {
    const { plan, typed } = readPlan(params, player)
    const made = createAsked<Plan>(plan, { lineOf: typedChord })
    if (typed) made.showLine(typed)
    return made
  })
  const plan = useStore(asked.$now)
  const typed = useStore(asked.$typed)
  const past = useStore(asked.$past)
  const [loop, setLoop] = useState(true)
  const [selected, setSelected] = useState<number | undefined>(undefined)
  const line = useMemo(() => lineOf(plan, player), [plan, player])

  const change = useCallback((changes: Partial<Plan>) => asked.step(settled(asked.current(), changes)), [asked])
  const type = useCallback(
    (text: string) => {
      asked.type(text, (written, before) => {
        const { line: text, string } = withoutRootString(written)
        const read = readTypedLine(text, player, questionOf(before))
        if (!read.ok) return read
        if (read.value.shapes) return { ok: false, error: { code: 'shapes_elsewhere', at: 0, text: written.trim() } }
        const { question, frets } = read.value
        const { chord, tuning, fretMin } = question
        const at = frets ? lowestPressed(frets) || before.at : fretMin > 1 ? fretMin : before.at
        const neck = neckOf(instrumentFor({ tuning }, player))
        if (string === undefined) return { ok: true, value: settled(before, { chord, tuning, at, shape: frets }) }
        if (string > neck.open.length)
          return {
            ok: false,
            error: {
              code: 'lane_string',
              at: written.search(/\d+\s*$/),
              text: String(string),
              strings: neck.open.length,
            },
          }
        const [root] = fretsOfNote(neck, stringIndex(string, neck.open.length), chord.root).filter((fret) => fret > 0)
        return { ok: true, value: settled(before, { chord, tuning, at: root ?? at, shape: undefined }) }
      })
    },
    [asked, player],
  )
  useKeptPast(asked, 'arpeggio')
  useLineInAddress(type, asked.finish)
  useQuestion({
    address: writePlan(plan, line.neck.open.length),
    open: (query) => {
      const there = readPlan(Object.fromEntries(query), player)
      asked.open(there.plan, there.typed)
    },
  })
  useEffect(() => {
    const tuning = plan.tuning ?? player.instrument.tuning
    const { chord, shape } = plan
    carry('Arpeggio', carriedOf({ chord, frets: shape, tuning }), writePlan(plan, line.neck.open.length))
  }, [plan, player, line])
  // Another line is another piece of music: what plays the old one ends.
  const before = useRef(line)
  useEffect(() => {
    if (before.current === line) return
    before.current = line
    setSelected(undefined)
    stopListening()
    if ($playing.get().owner === OWNER) stop()
  }, [line])

  const select = useCallback(
    (index: number) => {
      const note = line.notes[index]
      if (!note) return
      setSelected(index)
      hearTone(stringNoteOf(note), 'one tone')
    },
    [line],
  )

  const playOrStop = useCallback(() => {
    if ($playing.get().owner === OWNER) {
      stopListening()
      stop()
      return
    }
    const { settings } = $session.get()
    hearScore(scoreOf(line, plan, settings, loop), { owner: OWNER, tempo: settings.tempo, swing: swingOf(settings) })
  }, [line, plan, loop])

  return {
    plan,
    line,
    player,
    typed,
    type,
    finish: asked.finish,
    change,
    undo: asked.undo,
    redo: asked.redo,
    canUndo: past.canUndo,
    canRedo: past.canRedo,
    loop,
    setLoop,
    playOrStop,
    selected,
    select,
  }
}

/** What a typed line starts from: the chord of the plan, on its neck. */
const questionOf = ({ chord, tuning }: Plan): Question => ({
  chord,
  tuning,
  arrangement: { kind: 'any' },
  open: 'never',
  fretMin: 1,
  fretMax: DEFAULT_FRET_MAX,
})

/** Choices that belong to another line are given up with it. */
function settled(now: Plan, changes: Partial<Plan>): Plan {
  const next = { ...now, ...changes }
  const other = next.chord !== now.chord || next.way !== now.way || next.at !== now.at || next.string !== now.string
  const from = next.from === 'lowest' || next.chord.formula.includes(next.from) ? next.from : 'R'
  const find = next.find !== undefined && next.chord.formula.includes(next.find) ? next.find : undefined
  return { ...next, from, find, ...(other ? { line: 0, chosen: changes.chosen ?? [] } : {}) }
}
