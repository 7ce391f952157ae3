/** The neck of the Build view: drawn to scale, with hands on it. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { pluckersOf } from '@nestling/core/hand'
import { writeNote } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import { ghostTones, type Voicing } from '@nestling/core/voicing'
import { memo, useDeferredValue, useMemo } from 'react'
import { GhostMoves } from '../../../neck/GhostMove.tsx'
import { DampPads, FingerDiscs } from '../../../neck/HandMarks.tsx'
import { eggLabel, spokenVoicing } from '../../../neck/labels.ts'
import { type NeckLayout, TOLD_MARGINS } from '../../../neck/layout.ts'
import { type DrawnTone, NeckView } from '../../../neck/NeckView.tsx'
import classes from '../../../neck/neck.module.css'
import { RightHand, SoundingNotes } from '../../../neck/SoundMarks.tsx'
import { StringNames } from '../../../neck/StringNames.tsx'
import { useBoard } from '../../../neck/useBoard.ts'
import { useHandInSight } from '../../../neck/useHandInSight.ts'
import { $session } from '../../../state/session.ts'
import { $preview, neckIn, type WorkbenchState } from '../../../state/workbench/index.ts'
import { placeWords } from '../../../words/places.ts'
import { tonesOver, useShapeInHand } from '../shown.ts'
import { Cursor, Places, placeId } from './Places.tsx'
import { Stones } from './Stones.tsx'
import { useNeckHands } from './useNeckHands.ts'

export function NeckArea({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const preview = useStore($preview)
  const { neck, voicing, tones: inHandTones, fingering, silent } = useShapeInHand(state)
  const { question, player, frets } = state
  const instrument = useMemo(() => instrumentFor(question, player), [question, player])
  const held = useMemo(() => (frets ?? []).filter((fret): fret is number => fret !== null), [frets])
  const board = useBoard(neck, instrument, settings, Math.max(0, ...held), TOLD_MARGINS)
  const { layout } = board
  const ghosts = useMemo(() => (voicing ? ghostTones(voicing, neck) : []), [voicing, neck])

  const tones = useMemo(
    () =>
      (frets ?? []).flatMap((fret, string): readonly DrawnTone[] => {
        const one = inHandTones[string]
        if (fret === null || !one) return []
        const label = eggLabel({ ...one, finger: fingering?.fingers[string], fret }, settings.labels, settings.naming)
        return [{ string, fret, degree: one.degree, label }]
      }),
    [frets, inHandTones, fingering, settings.labels, settings.naming],
  )
  const pointedAt = useMemo(
    () =>
      preview && {
        to: preview.frets,
        degrees: tonesOver(preview.chord ?? question.chord, preview.frets, neck).map((tone) => tone?.degree ?? null),
        name: preview.chord && writeSymbol(preview.chord, { naming: settings.naming, school: settings.symbols }),
      },
    [preview, question.chord, neck, settings.naming, settings.symbols],
  )

  const hands = useNeckHands(state, layout)
  const scroller = useHandInSight(layout, held)

  const description =
    voicing === undefined
      ? 'The neck.'
      : `The neck: ${writeSymbol(question.chord)}. ${spokenVoicing(voicing, settings.naming)}.`
  const { cursor } = hands
  return (
    <section aria-label="Neck" ref={scroller} className={classes['scroller']}>
      <div className={classes['withNames']}>
        <StringNames layout={layout} openNames={board.openNames} naming={board.naming} />
        <svg
          viewBox={`0 0 ${layout.width} ${layout.height}`}
          className={classes['neck']}
          role="grid"
          tabIndex={0}
          aria-label={`${description} Arrow keys go from place to place; Enter presses or frees it, Shift and arrows slide the tone, O opens the string, X silences it.`}
          aria-activedescendant={cursor && placeId(cursor.string, cursor.fret)}
          data-testid="neck"
          {...hands.handlers}
        >
          <NeckView
            neck={neck}
            board={board}
            frets={frets}
            tones={tones}
            silent={silent}
            ghosts={ghosts}
            under={<Stones voicing={voicing} neck={neck} layout={layout} />}
          >
            {frets && fingering && (
              <>
                {settings.labels !== 'finger' && <FingerDiscs frets={frets} fingering={fingering} layout={layout} />}
                <DampPads silent={silent} fingering={fingering} frets={frets} layout={layout} ghosts={ghosts} />
              </>
            )}
            {voicing && instrument.pluck !== 'pick' && <Plucked frets={voicing.frets} layout={layout} />}
            {voicing && <Sounding voicing={voicing} layout={layout} naming={settings.naming} />}
            {pointedAt && <GhostMoves from={frets} layout={layout} {...pointedAt} />}
            <PlacesOf state={state} layout={layout} />
            {cursor && <Cursor layout={layout} string={cursor.string} fret={cursor.fret} />}
          </NeckView>
        </svg>
      </div>
    </section>
  )
}

/** The words of all places: hundreds of them, after the neck itself. */
const PlacesOf = memo(function PlacesOf({
  state: now,
  layout,
}: {
  readonly state: WorkbenchState
  readonly layout: NeckLayout
}) {
  const { settings } = useStore($session)
  const state = useDeferredValue(now)
  const neck = neckIn(state)
  const spoken = useMemo(
    () => placeWords(neckIn(state), state.question.chord, settings.naming),
    [state, settings.naming],
  )
  // For a blink after another instrument was taken, the words are still those of the neck before.
  if (neck.open.length !== layout.strings || layout.lastFret > neck.lastFret) return null
  return <Places layout={layout} spoken={spoken} frets={state.frets} />
})

const Plucked = memo(function Plucked({
  frets,
  layout,
}: {
  readonly frets: Voicing['frets']
  readonly layout: NeckLayout
}) {
  const pluckers = useMemo(() => pluckersOf(frets), [frets])
  return <RightHand pluckers={pluckers} layout={layout} />
})

const Sounding = memo(function Sounding({
  voicing,
  layout,
  naming,
}: {
  readonly voicing: Voicing
  readonly layout: NeckLayout
  readonly naming: Parameters<typeof writeNote>[1]
}) {
  const notes = voicing.midis
    .flatMap((midi, string) => {
      const note = voicing.notes[string]
      return midi === null || !note ? [] : [{ string, midi, name: writeNote(note, naming) }]
    })
    .sort((a, b) => a.midi - b.midi)
  return <SoundingNotes notes={notes} layout={layout} />
})
