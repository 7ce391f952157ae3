/** The tune on staff and TAB: every chord under the right hand's pattern, names and parts over the bars. */
import { useElementSize } from '@mantine/hooks'
import { useStore } from '@nanostores/react'
import { writtenTune } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { signatureOf } from '@nestling/core/key'
import { FOUR_FOUR, type OverBar, type WrittenBar } from '@nestling/core/time'
import { memo, useEffect, useMemo, useRef, useState } from 'react'
import type { Settings } from '../../../contracts/settings.ts'
import { type Engraving, engrave } from '../../../notation/engrave.ts'
import notation from '../../../notation/notation.module.css'
import { MARK_PX, TempoMark } from '../../../notation/TempoMark.tsx'
import { $session } from '../../../state/session.ts'
import { swingMark } from '../../../words/swing.ts'
import { $mark } from '../look.ts'
import type { PathAnswer } from '../types.ts'
import type { PathState } from '../usePath.ts'
import { Empty } from './Columns.tsx'

export const WrittenTune = memo(function WrittenTune({ state }: { readonly state: PathState }) {
  const { answer, neck } = state
  const { settings } = useStore($session)
  const { ref, width } = useElementSize()
  const box = useRef<HTMLDivElement>(null)
  const [engraving, setEngraving] = useState<Engraving | undefined>(undefined)
  const [problem, setProblem] = useState<string | undefined>(undefined)
  const { naming, symbols } = settings
  // Only what stands on the page draws it anew: the tempo does where it changes on the way.
  const { tempoBpm } = answer.plan.chart
  const changes = answer.played.bars.some((bar) => bar.tempoBpm !== tempoBpm)
  const tempo = changes ? settings.tempo : undefined
  const bars = useMemo(() => barsOf(answer, neck, { naming, symbols }, tempo), [answer, neck, naming, symbols, tempo])
  const strings = neck.open.length
  const { loop } = answer.plan
  // A key that is only guessed is not written behind the clef.
  const fifths = state.key && !state.key.isGuess ? signatureOf(state.key.key).fifths : undefined
  useEffect(() => {
    if (!box.current || width < 200) return undefined
    let current = true
    engrave(box.current, bars, { strings, width: Math.floor(width), repeats: loop, fifths, above: MARK_PX }).then(
      (drawn) => {
        if (!current) return
        setProblem(undefined)
        setEngraving(drawn)
      },
      (error: unknown) => current && setProblem(error instanceof Error ? error.message : String(error)),
    )
    return () => {
      current = false
    }
  }, [bars, strings, width, loop, fifths])
  if (answer.played.chords.length === 0) return <Empty />
  const chordAt = (target: EventTarget): number | undefined => {
    const chord = engraving?.elements.findIndex((all) => all.some((element) => element.contains(target as Node))) ?? -1
    return chord < 0 ? undefined : chord
  }
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a stop for the keyboard, where ← → go from chord to chord
    <section aria-label="The tune on staff and TAB" tabIndex={0}>
      <div ref={ref} />
      {problem !== undefined && <p role="alert">The notation could not be drawn: {problem}.</p>}
      <div className={notation['engraved']}>
        {engraving && <TempoMark tempo={settings.tempo} swing={swingMark(settings, bars[0]?.metre ?? FOUR_FOUR)} />}
        {/* biome-ignore lint/a11y/useKeyWithClickEvents: the same chords are buttons in the other drawings, and by ← → */}
        {/* biome-ignore lint/a11y/noStaticElementInteractions: as above */}
        <div
          ref={box}
          data-testid="written-tune"
          data-bars={engraving ? bars.length : undefined}
          onClick={({ target }) => {
            const chord = chordAt(target)
            if (chord !== undefined) state.choose(chord)
          }}
        />
      </div>
      {engraving && <Lit engraving={engraving} chosen={answer.plan.chosen} />}
    </section>
  )
})

/** The chord that is chosen, and the one that sounds, which is kept in sight. */
function Lit({ engraving, chosen }: { readonly engraving: Engraving; readonly chosen: number }) {
  const mark = useStore($mark)
  useEffect(() => lit(engraving, chosen, 'data-selected'), [engraving, chosen])
  useEffect(() => lit(engraving, mark, 'data-now'), [engraving, mark])
  return null
}

function lit({ elements }: Engraving, mark: number | undefined, as: string): (() => void) | undefined {
  if (mark === undefined) return undefined
  const all = elements[mark] ?? []
  for (const element of all) element.setAttribute(as, '')
  all[0]?.scrollIntoView({ block: 'nearest' })
  return () => {
    for (const element of all) element.removeAttribute(as)
  }
}

/**
 * The played bars with the names of their chords; "N.C." where a silence begins.
 * @param now The tempo it is played at: a change on the way stands to it as it stands to the tune's own.
 */
function barsOf(
  { played, found, plan }: PathAnswer,
  neck: PathState['neck'],
  { naming, symbols }: Pick<Settings, 'naming' | 'symbols'>,
  now: number | undefined,
): readonly WrittenBar[] {
  let tempo = plan.chart.tempoBpm
  let wasSilent = false
  return writtenTune(played, found.shapes, neck, plan.pattern).map((bar, index) => {
    const own = played.bars[index]
    const names = played.chords
      .filter((one) => one.bar === index)
      .map(({ chord, at }) => ({ at: at - bar.at, name: writeSymbol(chord, { naming, school: symbols }) }))
    const isSilent = own?.slots.every(({ kind }) => kind === 'rest') === true
    const over: OverBar = {
      names: isSilent && !wasSilent ? [{ at: 0, name: 'N.C.' }] : names,
      part: own?.part,
      tempoBpm: own?.tempoBpm === tempo ? undefined : asPlayed(own?.tempoBpm, plan.chart.tempoBpm, now),
    }
    tempo = own?.tempoBpm
    wasSilent = isSilent
    return { ...bar, over }
  })
}

const asPlayed = (written: number | undefined, ofTune: number | undefined, now: number | undefined) =>
  written !== undefined && ofTune !== undefined && now !== undefined ? Math.round((now * written) / ofTune) : written
