/** What the ear says besides its marks: why it could not listen, and what it heard instead of the line. */
import { type Judgement, type Mark, OUT_OF_TUNE_CENTS } from '@nestling/core/ear'
import { type NamingSystem, plainName, writeNote } from '@nestling/core/pitch'

/** How much of what the microphone gave was loud, and how much of that without a pitch. */
export interface Overheard {
  /** Windows that were louder than silence. */
  readonly loud: number
  /** Of those, windows without a clear pitch. */
  readonly unclear: number
  readonly windows: number
}

/** @param error What the browser threw when it was asked for the microphone. */
export function refusal(error: unknown): string {
  const name = error instanceof DOMException ? error.name : ''
  switch (name) {
    case 'NotAllowedError':
      return 'The microphone was refused. Allow it for this page in the browser’s settings for the site, or listen to the simulated player.'
    case 'NotFoundError':
      return 'No microphone was found. Plug one in, or listen to the simulated player.'
    case 'NotReadableError':
      return 'Another program holds the microphone. Close it there and try again.'
    case 'NotSupportedError':
      return 'The browser gives a microphone only to pages on this machine or over https.'
    default:
      return `Listening failed: ${error instanceof Error ? error.message : String(error)}.`
  }
}

/** Silence and noise are told as what they are. */
export function messageOf(
  { marks, extra }: Pick<Judgement, 'marks' | 'extra'>,
  { loud, unclear, windows }: Overheard,
): string | undefined {
  const came = marks.filter(({ kind }) => kind !== 'missing').length
  if (loud < windows * 0.02 && came === 0)
    return 'Nothing was heard: it was silent. Is the microphone the right one, and near enough?'
  if (came === 0 && unclear > loud * 0.4)
    return 'Only noise was heard, no pitch. Is another sound louder than the guitar?'
  if (came === 0 && extra.length > 0)
    return 'Notes were heard, but none when one was due. Did the line begin after the count-in?'
  return undefined
}

/** From here on a right note is told to be early or late. */
const OFF_BEAT_MS = 60

/** What was not as it is written; nothing for a note that came in time and in tune. */
export function slipWords(mark: Mark, expected: string, naming: NamingSystem): string | undefined {
  switch (mark.kind) {
    case 'right': {
      const { lateMs, heard } = mark
      const time = Math.abs(lateMs) > OFF_BEAT_MS ? `${Math.abs(lateMs)} ms ${lateMs > 0 ? 'late' : 'early'}` : ''
      const tune =
        Math.abs(heard.cents) >= OUT_OF_TUNE_CENTS
          ? `${Math.abs(heard.cents)} cents ${heard.cents > 0 ? 'sharp' : 'flat'}`
          : ''
      return [time, tune].filter(Boolean).join(', ') || undefined
    }
    case 'octave':
      return `${expected} came in another octave`
    case 'wrong':
      return `${writeNote(plainName(mark.heard.midi % 12), naming)} was heard, ${expected} expected`
    case 'missing':
      return `${expected} did not come`
  }
}
