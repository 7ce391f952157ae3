/** The ear: a microphone or the simulated player, and which notes of the line came. */
import { Button } from '@mantine/core'
import { useStore } from '@nanostores/react'
import type { Mark } from '@nestling/core/ear'
import { plainName, writeNote } from '@nestling/core/pitch'
import { useEffect, useState } from 'react'
import { $listening, type EarSource, listen, stopListening } from '../../ear/listening.ts'
import { PLAYS, type Plays } from '../../ear/simulatedPlayer.ts'
import { tell } from '../../state/notices.ts'
import { changeSound, volumesOf } from '../../state/playback.ts'
import { $session } from '../../state/session.ts'
import { degreeSign } from '../../words/degrees.ts'
import { counted } from '../../words/shapes.ts'
import classes from './ArpeggioView.module.css'
import { scoreOf } from './toScore.ts'
import { type ArpeggioState, OWNER } from './useArpeggio.ts'

const PLAYS_WORDS: Readonly<Record<Plays, string>> = {
  right: 'plays it right',
  'wrong note': 'plays one note wrong',
  late: 'drags behind',
  'leaves out': 'leaves one note out',
  silent: 'doesn’t play',
  noise: 'is drowned by noise',
}

export function Ear({ state }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const listening = useStore($listening)
  const [who, setWho] = useState('right')
  const { plan, line } = state
  useEffect(() => stopListening, [])
  const start = () => {
    if (settings.muted)
      return tell.done('Sound is off: the clicks could not be heard. Turn it on at the top right.', 'muted')
    const source: EarSource = who === 'microphone' ? { kind: 'microphone' } : { kind: 'simulated', plays: who as Plays }
    const countInBars = Math.max(1, settings.countInBars)
    const score = scoreOf(line, plan, { metronome: true, drums: false, bassStandIn: false, countInBars }, false)
    return void listen(score, {
      owner: OWNER,
      source,
      tempo: settings.tempo,
      volumes: volumesOf(settings),
      latencyMs: settings.latencyMs,
    })
  }
  const busy = listening.status === 'starting' || listening.status === 'listening'
  const { judgement } = listening
  return (
    <>
      <p className={classes['aside']}>
        After the count-in, play the line one note at a time with the clicks; damp each note as the next begins.
        Headphones keep the clicks out of the microphone.
      </p>
      <label className={classes['choice']}>
        Listen to{' '}
        <select
          className="plain-field"
          aria-label="Listen to"
          value={who}
          onChange={(event) => setWho(event.currentTarget.value)}
          disabled={busy}
        >
          {PLAYS.map((plays) => (
            <option key={plays} value={plays}>
              a simulated player who {PLAYS_WORDS[plays]}
            </option>
          ))}
          <option value="microphone">the microphone</option>
        </select>
      </label>
      <p>
        {busy ? (
          <Button size="compact-sm" variant="default" onClick={stopListening}>
            Stop listening
          </Button>
        ) : (
          <Button size="compact-sm" onClick={start} disabled={line.order.length === 0}>
            Listen
          </Button>
        )}
      </p>
      <div role="status" data-testid="ear-says">
        {listening.status === 'starting' && <p>Getting ready…</p>}
        {listening.status === 'listening' && !judgement && <p>Listening…</p>}
        {judgement && <p>{summary(judgement.marks, judgement.extra.length)}</p>}
        {judgement && listening.status === 'done' && <Latency marks={judgement.marks} />}
        {listening.message !== undefined && <p className={classes['problem']}>{listening.message}</p>}
        {judgement && listening.status === 'done' && listening.message === undefined && (
          <ul className={classes['slips']}>
            {judgement.marks.flatMap((mark, place) => {
              const note = line.notes[line.order[place] ?? -1]
              const words = note && slipWords(mark, writeNote(note.note, settings.naming), settings.naming)
              return words
                ? [
                    <li key={place}>
                      Note {place + 1}, the {degreeSign(note.degree)}: {words}
                    </li>,
                  ]
                : []
            })}
          </ul>
        )}
      </div>
    </>
  )
}

/** Everything equally late is the way of the sound, not the player: one press allows for it. */
function Latency({ marks }: { readonly marks: readonly Mark[] }) {
  const { settings } = useStore($session)
  const late = marks.flatMap((mark) => (mark.kind === 'right' ? [mark.lateMs] : []))
  if (late.length < 4) return null
  const mean = Math.round(late.reduce((sum, one) => sum + one, 0) / late.length)
  const even = late.every((one) => Math.abs(one - mean) < 30)
  const latencyMs = settings.latencyMs + mean
  if (!even || Math.abs(mean) < 15 || latencyMs < 0 || latencyMs > 500) return null
  return (
    <p>
      All of it {Math.abs(mean)} ms {mean > 0 ? 'behind' : 'ahead'}, evenly.{' '}
      <button type="button" className={classes['quiet']} onClick={() => changeSound({ latencyMs })}>
        Allow for it: latency {latencyMs} ms
      </button>
    </p>
  )
}

function summary(marks: readonly Mark[], extra: number): string {
  const right = marks.filter(({ kind }) => kind === 'right')
  const late = right.flatMap((mark) => ('lateMs' in mark ? [mark.lateMs] : []))
  const mean = late.length === 0 ? 0 : Math.round(late.reduce((sum, one) => sum + one, 0) / late.length)
  const time =
    late.length === 0
      ? ''
      : Math.abs(mean) < 25
        ? ', in time'
        : `, ${Math.abs(mean)} ms ${mean > 0 ? 'behind' : 'ahead of'} the beat on average`
  return `${right.length} of ${marks.length} came right${time}${extra > 0 ? `; ${counted(extra, 'more note', 'more notes')} heard` : ''}.`
}

const OFF_BEAT_MS = 60

function slipWords(mark: Mark, expected: string, naming: Parameters<typeof writeNote>[1]): string | undefined {
  switch (mark.kind) {
    case 'right':
      return Math.abs(mark.lateMs) > OFF_BEAT_MS
        ? `${Math.abs(mark.lateMs)} ms ${mark.lateMs > 0 ? 'late' : 'early'}`
        : undefined
    case 'octave':
      return `${expected} came in another octave`
    case 'wrong':
      return `${writeNote(plainName(mark.heard.midi % 12), naming)} was heard, ${expected} expected`
    case 'missing':
      return `${expected} did not come`
  }
}
