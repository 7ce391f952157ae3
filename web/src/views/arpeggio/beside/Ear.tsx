/** The ear in one line: who is listened to, and which notes of the line came. */
import { useStore } from '@nanostores/react'
import type { Mark } from '@nestling/core/ear'
import { writeNote } from '@nestling/core/pitch'
import { Word } from '../../../controls/Word.tsx'
import { $listening } from '../../../ear/listening.ts'
import { PLAYS, type Plays } from '../../../ear/simulatedPlayer.ts'
import { changeSound } from '../../../state/playback.ts'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { slipWords } from '../../../words/ear.ts'
import { counted } from '../../../words/shapes.ts'
import type { ArpeggioState } from '../useArpeggio.ts'
import type { LineEar, Who } from '../useEar.ts'
import classes from './Beside.module.css'

const PLAYS_WORDS: Readonly<Record<Plays, string>> = {
  right: 'plays it right',
  'wrong note': 'plays one note wrong',
  late: 'drags behind',
  'leaves out': 'leaves one note out',
  silent: 'doesn’t play',
  noise: 'is drowned by noise',
}
const whoWords = (who: Who): string =>
  who === 'microphone' ? 'the microphone' : `a simulated player who ${PLAYS_WORDS[who]}`
const WHO: readonly Who[] = [...PLAYS, 'microphone']

export function Ear({ state, ear }: { readonly state: ArpeggioState; readonly ear: LineEar }) {
  const { settings } = useStore($session)
  const { status, judgement, message } = useStore($listening)
  const { line } = state
  const { who, setWho, isBusy } = ear
  const useChoices = () => WHO.map((value) => ({ value, words: whoWords(value), now: value === who }))
  const isDone = status === 'done'
  return (
    <section data-not-on-paper aria-label="Ear" className={classes['section']}>
      <div className={classes['ear']}>
        <h2 className={classes['title']}>Ear</h2>
        <span>
          follows <Word label="Listen to" now={whoWords(who)} useChoices={useChoices} take={setWho} />
        </span>
        {!judgement && !isBusy && (
          <span className={classes['aside']}>one note at a time; headphones keep the clicks out</span>
        )}
      </div>
      <div role="status" data-testid="ear-says" className={classes['says']}>
        {status === 'starting' && 'Getting ready… '}
        {status === 'listening' && !judgement && 'Listening… '}
        {judgement && summary(judgement.marks, judgement.extra.length)}
        {judgement && isDone && <Latency marks={judgement.marks} />}
        {message !== undefined && <span className={classes['problem']}> {message}</span>}
        {judgement &&
          isDone &&
          message === undefined &&
          judgement.marks.map((mark, place) => {
            const note = line.notes[line.order[place] ?? -1]
            const words = note && slipWords(mark, writeNote(note.note, settings.naming), settings.naming)
            return words ? (
              <span key={place}>
                {' '}
                Note {place + 1}, the {degreeSign(note.degree)}: {words}.
              </span>
            ) : null
          })}
      </div>
    </section>
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
    <span>
      {' '}
      All of it {Math.abs(mean)} ms {mean > 0 ? 'behind' : 'ahead'}, evenly.{' '}
      <button type="button" className={classes['quiet']} onClick={() => changeSound({ latencyMs })}>
        Allow for it: latency {latencyMs} ms
      </button>
    </span>
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
