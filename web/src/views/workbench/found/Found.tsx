/** Found: the shapes that answer the sentence, as bars at their true places under the neck, or as small necks. */

import { useStore } from '@nanostores/react'
import type { EasierWay } from '@nestling/core/answer'
import { leftOutBesides } from '@nestling/core/chord'
import { handOn } from '@nestling/core/hand'
import { type Neck, stringNumber } from '@nestling/core/neck'
import { relocate, soundingStrings, type Voicing, voicingOf } from '@nestling/core/voicing'
import { memo, useMemo, useRef } from 'react'
import { Choice, type Options } from '../../../controls/Choice.tsx'
import { Stopped } from '../../../controls/Stopped.tsx'
import { TOLD_MARGINS } from '../../../neck/layout.ts'
import { useBoard } from '../../../neck/useBoard.ts'
import { useScrollTogether } from '../../../neck/useScrollTogether.ts'
import { $session, changeSettings } from '../../../state/session.ts'
import {
  $easier,
  $otherSets,
  neckIn,
  searchAgain,
  takeEasier,
  type WorkbenchState,
} from '../../../state/workbench/index.ts'
import { easierWords, gaveWayWords, leftOutWords } from '../../../words/found.ts'
import { fretsWord, stringsApart, toldArrangement } from '../../../words/shapes.ts'
import classes from './Found.module.css'
import { type FoundOrder, inOrder } from './inOrder.ts'
import { Moves } from './Moves.tsx'
import { Necks } from './Necks.tsx'
import { Rails } from './Rails.tsx'
import { railsOf } from './rails.ts'
import { areSame, type FoundShape, foundShapeOf, shapesIn, stringsMask } from './shapes.ts'
import { WaysOut } from './WaysOut.tsx'

const NOTHING: readonly FoundShape[] = []
const ORDERS: Options<FoundOrder> = [
  ['taste', 'as players take them'],
  ['nearest', 'the nearest first'],
  ['stretch', 'the least stretch first'],
  ['place', 'up the neck'],
]

export const Found = memo(function Found({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const { search, question, player } = state
  const result = search.status === 'found' ? search.result : search.status === 'searching' ? search.last : undefined
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const { root, formula } = question.chord
  // What is listed is of the chord that was searched: while a new search runs, the last ones stay until they are replaced.
  const shapes = useMemo(
    () => (result && result.strings === neck.open.length ? shapesIn(result, { root, formula }, neck) : NOTHING),
    [result, root, formula, neck],
  )
  const others = useOtherSets(state, shapes)
  const easier = useStore($easier)
  const box = useRef<HTMLElement>(null)
  useScrollTogether(box, 'Neck')
  const where =
    question.strings === undefined ? 'on any strings' : `on ${stringsApart(question.strings, neck.open.length)}`
  // Nobody asked for these to go: it is said.
  const besides =
    question.omit === undefined && player.school === 'drop-fifth' && question.strings !== undefined
      ? leftOutBesides(formula, question.strings.length)
      : []
  const gaveWay = search.status === 'found' ? gaveWayWords(search.gaveWay, search.asked, search.isByTaste) : ''
  return (
    <section
      data-not-on-paper
      aria-label="Shapes found"
      aria-busy={search.status === 'searching'}
      ref={box}
      className={classes['section']}
      data-faint={state.faint || undefined}
    >
      <div className={classes['head']}>
        <h2>Found</h2>
        <span data-testid="count">
          {result && search.status === 'found'
            ? `${result.count} ${where}${result.playable < result.count ? ` · ${result.playable} playable` : ''}`
            : ''}
        </span>
        {others.length > 0 && (
          <span data-testid="others">
            {others.length} more on {setsOf(others)} other sets of {question.strings?.length}
          </span>
        )}
        {besides.length > 0 && shapes.length > 0 && (
          <span data-testid="left-out">
            on {question.strings?.length} strings {leftOutWords(besides)} {besides.length === 1 ? 'is' : 'are'} left out
          </span>
        )}
        {gaveWay !== '' && (
          <span role="status" className={classes['note']} data-testid="gave-way">
            {gaveWay}
          </span>
        )}
        {easier && easier.question === question && !state.faint && <Easier way={easier.way} neck={neck} />}
        {result?.truncated && search.status === 'found' && (
          <span className={classes['note']}>
            {result.shown} of {result.count} are shown: name a string set or an arrangement to see the others
          </span>
        )}
        {state.frets && <Moves />}
        {settings.foundAs === 'necks' && (
          <span className={classes['as']}>
            <Choice
              label="In order"
              value={settings.foundBy}
              options={ORDERS}
              take={(foundBy) => void changeSettings({ foundBy })}
            />
          </span>
        )}
        <span className={classes['as']} role="group" aria-label="Shown as">
          {(['bars', 'necks'] as const).map((as) => (
            <button
              key={as}
              type="button"
              aria-pressed={settings.foundAs === as}
              onClick={() => void changeSettings({ foundAs: as })}
            >
              {as === 'bars' ? 'as bars' : 'as small necks'}
            </button>
          ))}
        </span>
      </div>
      <Stopped
        stop={search.status === 'failed' ? { message: search.message, again: searchAgain } : undefined}
        what="The search"
      />
      {search.status === 'searching' && result === undefined && (
        <p className={classes['empty']}>Looking along the neck…</p>
      )}
      {search.status === 'found' && search.result.playable === 0 && <WaysOut state={state} where={where} />}
      {settings.foundAs === 'bars' ? (
        <BarsOf state={state} shapes={shapes} others={others} />
      ) : (
        shapes.length > 0 && <Necks shapes={inOrder(shapes, settings.foundBy, state.frets)} state={state} />
      )}
    </section>
  )
})

const setsOf = (shapes: readonly FoundShape[]): number => new Set(shapes.map(({ frets }) => stringsMask(frets))).size

/** Shapes on the other sets, once they are there for this very question. */
function useOtherSets({ question, player }: WorkbenchState, shapes: readonly FoundShape[]): readonly FoundShape[] {
  const others = useStore($otherSets)
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const { root, formula } = question.chord
  return useMemo(() => {
    if (others === undefined || others.question !== question || others.result.strings !== neck.open.length)
      return NOTHING
    const here = new Set(shapes.map(({ frets }) => stringsMask(frets)))
    return shapesIn(others.result, { root, formula }, neck).filter(
      ({ frets, playable }) =>
        playable && frets.filter((fret) => fret !== null).length === others.size && !here.has(stringsMask(frets)),
    )
  }, [others, question, root, formula, neck, shapes])
}

function BarsOf({
  state,
  shapes,
  others,
}: {
  readonly state: WorkbenchState
  readonly shapes: readonly FoundShape[]
  readonly others: readonly FoundShape[]
}) {
  const { settings } = useStore($session)
  const { question, frets } = state
  const { player } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const voicing = useMemo(
    () => (frets ? voicingOf(question.chord, frets, neck) : undefined),
    [question.chord, frets, neck],
  )
  const held = (frets ?? []).filter((fret): fret is number => fret !== null)
  const { layout } = useBoard(neck, state.player.instrument, settings, Math.max(0, ...held), TOLD_MARGINS)
  const inHand = frets && fretsWord(frets)
  const { hand, thumb } = state.player
  const { open } = question
  const isOpen = open !== 'never'
  // A shape made by hand has its bar too: hand and list never disagree. So have its very pitches on other strings.
  const same = useMemo(
    () => (voicing ? relocate(voicing, neck, { reachLimitMm: hand.stretchMm, open: isOpen }) : []),
    [voicing, neck, hand, isOpen],
  )
  const more = useMemo((): readonly FoundShape[] => {
    if (!voicing) return NOTHING
    const isListed = ({ frets: one }: Voicing) =>
      shapes.some((shape) => areSame(shape.frets, one)) || others.some((shape) => areSame(shape.frets, one))
    const missing = [voicing, ...same].filter((one) => !isListed(one))
    if (missing.length === 0) return NOTHING
    const { canHold } = handOn(neck, hand, { thumb })
    return missing.map((one) => ({ ...foundShapeOf(one, neck), playable: canHold(one.frets) }))
  }, [voicing, same, shapes, others, neck, hand, thumb])
  const rails = useMemo(() => {
    const first = question.strings?.reduce((mask, string) => mask | (1 << string), 0)
    const seen = (shape: FoundShape) => shape.highest <= layout.lastFret
    return railsOf([...more, ...shapes, ...others].filter(seen), layout, first)
  }, [more, shapes, others, layout, question.strings])
  const sameWords = useMemo(() => new Set(same.map((one) => fretsWord(one.frets))), [same])
  if (rails.length === 0) return null
  return (
    <Rails
      rails={rails}
      layout={layout}
      state={state}
      inHand={inHand}
      same={sameWords}
      setWord={(mask) => setWord(mask, neck.open.length)}
    />
  )
}

const setWord = (mask: number, strings: number): string =>
  Array.from({ length: strings }, (_, index) => index)
    .filter((index) => (mask >> index) & 1)
    .map((index) => stringNumber(index, strings))
    .join(' ')

/** What would be easier, to be taken by a press. */
function Easier({ way, neck }: { readonly way: EasierWay; readonly neck: Neck }) {
  const voicing = voicingOf(way.question.chord, way.frets, neck)
  if (!voicing) return null
  const words = easierWords(way.wish, {
    arrangement: toldArrangement(voicing.arrangement),
    strings: stringsApart(soundingStrings(way.frets), neck.open.length),
    frets: fretsWord(way.frets),
  })
  return (
    <button type="button" className={classes['easier']} data-testid="easier" onClick={() => takeEasier(way)}>
      easier: {words}
    </button>
  )
}
