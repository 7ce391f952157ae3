/** The neck of the Build view: drawn to scale, with hands on it. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { handOn, handVerdict } from '@nestling/core/hand'
import { instrumentFor } from '@nestling/core/request'
import { type GhostTone, ghostTones, rotations } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { useSettled } from '../../../controls/useSettled.ts'
import { eggLabel, spokenVoicing } from '../../../neck/labels.ts'
import { type DrawnTone, NeckView } from '../../../neck/NeckView.tsx'
import classes from '../../../neck/neck.module.css'
import { useBoard } from '../../../neck/useBoard.ts'
import { useHandInSight } from '../../../neck/useHandInSight.ts'
import { $session } from '../../../state/session.ts'
import { $preview, neckIn, type WorkbenchState } from '../../../state/workbench/index.ts'
import { placeWords } from '../../../words/places.ts'
import { tonesOver, useShapeInHand } from '../shown.ts'
import { Cursor, Places, placeId } from './Places.tsx'
import { useNeckHands } from './useNeckHands.ts'

export function NeckArea({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const preview = useStore($preview)
  const { neck, voicing, tones: inHandTones, fingering, silent, verdict } = useShapeInHand(state)
  const { question, player, frets } = state
  const instrument = useMemo(() => instrumentFor(question, player), [question, player])
  const held = useMemo(() => (frets ?? []).filter((fret): fret is number => fret !== null), [frets])
  const board = useBoard(neck, instrument, settings, Math.max(0, ...held))
  const { layout } = board
  const stones = useMemo(
    () => (voicing ? rotations(voicing, neck).filter((other) => other.frets.join() !== voicing.frets.join()) : []),
    [voicing, neck],
  )
  const ghosts = useMemo(() => (voicing ? ghostTones(voicing, neck) : []), [voicing, neck])

  const shownFrets = preview?.frets ?? frets
  const shownTones = useMemo(
    () => (preview ? tonesOver(preview.chord ?? question.chord, preview.frets, neck) : inHandTones),
    [preview, question.chord, neck, inHandTones],
  )
  const tones: DrawnTone[] = (shownFrets ?? []).flatMap((fret, string) => {
    const one = shownTones[string]
    if (fret === null || !one) return []
    const finger = preview ? undefined : fingering?.fingers[string]
    const label = eggLabel({ ...one, finger, fret }, settings.labels, settings.naming)
    return [{ string, fret, degree: one.degree, label, moved: preview !== undefined && frets?.[string] !== fret }]
  })
  const previewVerdict = useMemo(() => {
    if (!preview) return undefined
    const { bestFingering } = handOn(neck, player.hand, { thumb: player.thumb })
    return handVerdict(preview.frets, neck, player.hand, bestFingering(preview.frets), { thumb: player.thumb })
  }, [preview, neck, player])
  // What a moved tone leaves behind stays visible where it was.
  const leftBehind: GhostTone[] = preview
    ? (frets ?? []).flatMap((fret, string) => {
        const one = inHandTones[string]
        return fret === null || !one || preview.frets[string] === fret ? [] : [{ ...one, string, fret }]
      })
    : []

  const hands = useNeckHands(state, layout)
  const settled = useSettled(state)
  const spoken = useMemo(
    () => placeWords(neckIn(settled), settled.question.chord, settings.naming),
    [settled, settings.naming],
  )
  // For a blink after another instrument was taken, the words are still those of the neck before.
  const settledNeckFits =
    neckIn(settled).open.length === neck.open.length && layout.lastFret <= neckIn(settled).lastFret
  const scroller = useHandInSight(layout, held)

  const description =
    voicing === undefined
      ? 'The neck.'
      : `The neck: ${writeSymbol(question.chord)}. ${spokenVoicing(voicing, settings.naming)}.`
  const { cursor } = hands
  return (
    <section aria-label="Neck" ref={scroller} className={classes['scroller']}>
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
          hand={player.hand}
          verdict={preview ? previewVerdict : verdict}
          frets={shownFrets}
          tones={tones}
          silent={preview ? [] : silent}
          ghosts={preview ? leftBehind : ghosts}
          stones={stones}
        >
          {settledNeckFits && <Places layout={layout} spoken={spoken} frets={settled.frets} />}
          {cursor && <Cursor layout={layout} string={cursor.string} fret={cursor.fret} />}
        </NeckView>
      </svg>
    </section>
  )
}
