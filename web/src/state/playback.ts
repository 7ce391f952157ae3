/** Playing with the player's own settings: volume, strum, tempo; the mute that lasts. */
import type { Chord } from '@nestling/core/chord'
import { pitchClassOf } from '@nestling/core/pitch'
import { bassNote, type Score, type StringNote, type Swing } from '@nestling/core/time'
import { atom } from 'nanostores'
import type { Settings } from '../contracts/settings.ts'
import type { BandMix } from '../sound/band.ts'
import { CHORD_TEMPO, chordScore, type PlayStyle, type Sounding } from '../sound/chords.ts'
import { risen } from '../sound/tapTempo.ts'
import { type PlayOptions, play, setMix, setSwing, setTempo } from '../sound/transport.ts'
import { loaded } from '../workers/loaded.ts'
import { tell } from './notices.ts'
import { saveFile } from './saveFile.ts'
import { $session, changeSettings } from './session.ts'

export const mixOf = (settings: Settings): BandMix => ({
  all: settings.volume,
  strings: settings.stringsVolume,
  bass: settings.bassVolume,
  drums: settings.drumsVolume,
  click: settings.clickVolume,
  room: settings.room,
  timbre: $session.get().instrument.timbre,
})

export const swingOf = ({ swing, swung }: Pick<Settings, 'swing' | 'swung'>): Swing => ({ percent: swing, of: swung })

/** By how many beats in a minute each round of a loop is quicker than the last. */
export const $rise = atom(0)

/** The next round's tempo is the one that the sentence shows. */
function nextRound(tempo: number, began: number): number {
  const next = risen(tempo, $rise.get(), began)
  if (next !== tempo) void changeSettings({ tempo: next })
  return next
}

/** Plays a score unless sound is off; what goes wrong is told. */
export function hearScore(
  score: Score,
  options: Omit<PlayOptions, 'mix' | 'latencyMs'> & Partial<Pick<PlayOptions, 'mix'>>,
): void {
  const { settings } = $session.get()
  if (settings.muted) {
    tell.done('Sound is off. Turn it on at the top right.', 'muted')
    return
  }
  if (score.events.length === 0) return
  void play(score, {
    mix: mixOf(settings),
    latencyMs: settings.latencyMs,
    onRound: (_, tempo) => nextRound(tempo, options.tempo),
    ...options,
  }).catch((error: unknown) => tell.problem('No sound', error instanceof Error ? error.message : String(error)))
}

export const lowestOf = (notes: readonly StringNote[]): number => Math.min(...notes.map(({ midi }) => midi))

/** What is heard of a chord: its tones, and the bass stand-in under them when it plays along. */
export function soundingOf({ root, bass }: Chord, notes: readonly StringNote[]): Sounding {
  return $session.get().settings.bassStandIn
    ? { notes, bass: bassNote(pitchClassOf(bass ?? root), lowestOf(notes)) }
    : { notes }
}

/** Chords one after another, `apart` seconds from one to the next, strummed as the player likes it. */
export function hearChords(chords: readonly Sounding[], style: PlayStyle, owner: string, apart?: number): void {
  if (chords.every(({ notes }) => notes.length === 0)) return
  const { strum, strumMs } = $session.get().settings
  const manner = { style, strum, strumMs, ...(apart === undefined ? {} : { apart }) }
  hearScore(chordScore(chords, manner), { owner, tempo: CHORD_TEMPO, atOnce: true })
}

/** One tone by itself. */
export const hearTone = (note: StringNote, owner: string): void => hearChords([{ notes: [note] }], 'together', owner)

/** Gives a score as a sound file to keep. */
export async function saveSoundFile(
  name: string,
  score: Score,
  { tempo, swing }: { readonly tempo: number; readonly swing: Swing },
): Promise<void> {
  tell.done(`Rendering ${name}…`, 'sound-file')
  try {
    const { soundFile } = await loaded(() => import('../sound/soundFile.ts'))
    const file = await soundFile(score, { tempo, swing, mix: mixOf($session.get().settings) })
    const own = name.replaceAll('/', '-')
    saveFile(file, own)
    tell.hide('sound-file')
    tell.done(`Saved: ${own}`)
  } catch (error) {
    tell.hide('sound-file')
    tell.problem('No sound file', error instanceof Error ? error.message : String(error))
  }
}

/** Settings of sound take effect at once, also while something plays. */
export function changeSound(changes: Partial<Settings>): void {
  const settings = { ...$session.get().settings, ...changes }
  if (changes.tempo !== undefined) setTempo(changes.tempo)
  if (changes.swing !== undefined || changes.swung !== undefined) setSwing(swingOf(settings))
  setMix(mixOf(settings))
  void changeSettings(changes)
}
