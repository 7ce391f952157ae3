/** How all of it is written: habits as one sentence, and under it what every word of it does. */
import { useStore } from '@nanostores/react'
import { shapesFor } from '@nestling/core/answer'
import { notesOf, readSymbol, writeSymbol } from '@nestling/core/chord'
import { handOn } from '@nestling/core/hand'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { type Degree, pitchClassOf, spellDegree, writeNote } from '@nestling/core/pitch'
import { readWhatCanBe } from '@nestling/core/request'
import { fretsAt } from '@nestling/core/voicing'
import { useMemo } from 'react'
import type { Settings } from '../../../contracts/settings.ts'
import { Choice, type Options } from '../../../controls/Choice.tsx'
import sentence from '../../../controls/sentence.module.css'
import { HandNeck } from '../../../neck/HandNeck.tsx'
import { $player, $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { BASS_OPTIONS, MANNER_OPTIONS } from '../../../words/manners.ts'
import { fretsWord } from '../../../words/shapes.ts'
import { changeHabit } from '../bench/bench.ts'
import classes from '../SetupView.module.css'

const NAMINGS: Options<Settings['naming']> = [
  ['letters', 'C D E F G A B'],
  ['syllables', 'do ré mi fa sol la si'],
  ['german', 'C D E F G A H'],
]
const SYMBOLS: Options<Settings['symbols']> = [
  ['words', 'words'],
  ['signs', 'signs'],
  ['dashes', 'dashes'],
]
const LABELS: Options<Settings['labels']> = [
  ['degree', 'degrees'],
  ['note', 'note names'],
  ['finger', 'fingers'],
  ['none', 'nothing'],
]
const SIDES: Options<boolean> = [
  [false, 'below'],
  [true, 'on top'],
]
const LEAVINGS: Options<Settings['leavingOut']> = [
  ['drop-fifth', 'the fifth goes'],
  ['drop-root', 'the root goes'],
  ['shell', 'the shell stays'],
]
const THUMBS: Options<boolean> = [
  [true, 'may take the low string'],
  [false, 'stays behind the neck'],
]
const FAMILY = ['Ebmaj7', 'Cm7b5', 'F#dim7', 'Bb7#5'] as const
/** A ninth on four strings: what is left out is seen. */
const SAMPLE = { chord: 'Eb9', arrangement: 'any', strings: '5432' }

export function AsWritten() {
  const { settings } = useStore($session)
  const player = useStore($player)
  const style = { naming: settings.naming, school: settings.symbols }
  const symbols = FAMILY.flatMap((text) => {
    const read = readSymbol(text)
    return read.ok ? [writeSymbol(read.value, style)] : []
  })
  const sample = useMemo(() => {
    // On a standard guitar, whatever is in hand: only the habits are to be compared.
    const on = { ...player, instrument: { ...STANDARD_INSTRUMENT, handed: player.instrument.handed }, ownTunings: [] }
    const { question } = readWhatCanBe(SAMPLE, on, 'C')
    const found = shapesFor(question, on)
    const neck = neckOf(on.instrument)
    const frets = found.shown > 0 ? fretsAt(found, 0) : undefined
    return (
      frets && { question, frets, fingering: handOn(neck, on.hand, { thumb: on.thumb }).bestFingering(frets), neck }
    )
  }, [player])
  const word = <Key extends keyof Settings>(key: Key, label: string, options: Options<Settings[Key]>) => (
    <Choice
      label={label}
      value={settings[key]}
      options={options}
      take={(value) => void changeHabit({ [key]: value })}
    />
  )
  return (
    <section aria-label="As it is written" className={classes['block']}>
      <h2>As it is written</h2>
      <p className={`${sentence['sentence']} ${classes['habits']}`}>
        notes as {word('naming', 'Notes are named by', NAMINGS)}, chords in{' '}
        {word('symbols', 'Chord symbols in', SYMBOLS)}, eggs with {word('labels', 'In the eggs stand', LABELS)}, the low
        string {word('lowOnTop', 'The low string lies', SIDES)}; with too few strings{' '}
        {word('leavingOut', 'With fewer strings than tones', LEAVINGS)}; {word('manner', 'Manner', MANNER_OPTIONS)},{' '}
        {word('withBassPlayer', 'Bass player', BASS_OPTIONS)}, the thumb {word('thumb', 'The thumb', THUMBS)}
      </p>
      <p className={classes['symbols']} data-testid="symbol-samples">
        {symbols.map((symbol) => (
          <b key={symbol}>{symbol}</b>
        ))}
      </p>
      {sample && (
        <div className={classes['sample']} data-testid="habit-sample">
          <p>
            <b>{writeSymbol(sample.question.chord, style)}</b>{' '}
            {notesOf(sample.question.chord)
              .map((note) => writeNote(note, settings.naming))
              .join(' ')}{' '}
            <span>{fretsWord(sample.frets)}</span>
          </p>
          <HandNeck
            frets={sample.frets}
            degrees={degreesIn(sample)}
            fingering={settings.labels === 'finger' ? undefined : sample.fingering}
            from={Math.max(1, Math.min(...sample.frets.flatMap((fret) => (fret ? [fret] : []))) - 1)}
            to={Math.max(...sample.frets.map((fret) => fret ?? 0)) + 1}
            lowOnTop={settings.lowOnTop}
            leftHanded={player.instrument.handed === 'left'}
            labelOf={({ degree }) => labelOf(degree, sample, settings)}
          />
        </div>
      )}
    </section>
  )
}

interface Sample {
  readonly question: ReturnType<typeof readWhatCanBe>['question']
  readonly frets: readonly (number | null)[]
  readonly neck: ReturnType<typeof neckOf>
  readonly fingering: ReturnType<ReturnType<typeof handOn>['bestFingering']>
}

function degreesIn({ question, frets, neck }: Sample): readonly (Degree | null)[] {
  const notes = question.chord.formula
  return frets.map((fret, string) => {
    if (fret === null) return null
    const sounding = ((neck.nut[string] as number) + fret) % 12
    return notes.find((degree) => pitchOf(question.chord.root, degree) === sounding) ?? null
  })
}

const pitchOf = (root: Parameters<typeof spellDegree>[0], degree: Degree): number => {
  const note = spellDegree(root, degree)
  return note === undefined ? -1 : pitchClassOf(note)
}

function labelOf(
  degree: Degree,
  { question, frets, fingering, ...sample }: Sample,
  { labels, naming }: Settings,
): string {
  switch (labels) {
    case 'degree':
      return degreeSign(degree)
    case 'note': {
      const note = spellDegree(question.chord.root, degree)
      return note === undefined ? '' : writeNote(note, naming)
    }
    case 'finger': {
      const string = degreesIn({ question, frets, fingering, ...sample }).indexOf(degree)
      return String(fingering?.fingers[string] ?? '')
    }
    case 'none':
      return ''
  }
}
