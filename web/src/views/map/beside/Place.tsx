/** The place in hand, magnified: fingers, where its tones came from, the roots that the eye goes by, and how wide it is. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { type HandProfile, type HandVerdict, handOn, handVerdict } from '@nestling/core/hand'
import { placesOf } from '@nestling/core/map'
import { landmarksOf, openFormOf } from '@nestling/core/near'
import { stringNumber } from '@nestling/core/neck'
import { writeNote } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import { highestPressed, lowestPressed } from '@nestling/core/voicing'
import { memo, useMemo } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { HandNeck, type NeckWindow } from '../../../neck/HandNeck.tsx'
import { useEggLabels } from '../../../shell/useEggLabels.ts'
import { toBuild } from '../../../state/links.ts'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { reasonWords } from '../../../words/hand.ts'
import { counted, fretsWord } from '../../../words/shapes.ts'
import { shapeOf } from '../collect.ts'
import type { ShownMap } from '../useMap.ts'
import classes from './Beside.module.css'

export const Place = memo(function Place({ shown }: { readonly shown: ShownMap }) {
  const { settings } = useStore($session)
  const { chosen, map, neck, player } = shown
  const { hand, thumb } = player
  const held = useMemo(() => {
    if (!chosen) return undefined
    const fingering = handOn(neck, hand, { thumb }).bestFingering(chosen.frets)
    return { fingering, verdict: handVerdict(chosen.frets, neck, hand, fingering, { thumb }) }
  }, [chosen, neck, hand, thumb])
  const labelOf = useEggLabels(map.chord.root)
  if (!chosen || !held) return <p className={classes['told']}>Take a place of the sheet to see it large.</p>
  const { frets, degrees, from, twin, more } = chosen
  const style = { naming: settings.naming, school: settings.symbols }
  const form = openFormOf({ chord: map.chord, frets }, neck)
  const roots = landmarksOf({ chord: map.chord, frets }, neck)
  const isRootless = !degrees.includes('R')
  const lowest = lowestPressed(frets) || 1
  const ghosts = from.flatMap(({ fret }) => (fret === undefined || fret === 0 ? [] : [fret]))
  const first = Math.max(1, Math.min(lowest, ...ghosts) - (lowest > 2 ? 1 : 0))
  const last = Math.max(first + 4, highestPressed(frets) + 1, ...ghosts)
  const rootName = writeNote(map.chord.root, settings.naming)
  return (
    <section aria-label="This place" className={classes['section']}>
      <h2 className={classes['title']} data-testid="place-name">
        {writeSymbol(map.chord, style)}
        {twin && (
          <span>
            <b>{writeSymbol(twin, style)}</b>
            {isRootless && ` until a bass plays ${rootName}`}
          </span>
        )}
        {!twin && isRootless && <span>without its root</span>}
        <em data-testid="place-frets">{fretsWord(frets)}</em>
      </h2>
      <HandNeck
        frets={frets}
        degrees={degrees}
        fingering={held.fingering}
        from={first}
        to={last}
        lowOnTop={settings.lowOnTop}
        leftHanded={instrumentFor(shown.question, player).handed === 'left'}
        labelOf={labelOf}
        under={(window) => (
          <>
            <Roots window={window} roots={roots} frets={frets} strings={neck.open.length} />
            <CameFrom window={window} from={from} frets={frets} />
          </>
        )}
      />
      <Reach verdict={held.verdict} hand={hand} />
      <p
        className={classes['told']}
        data-beyond={held.verdict.kind === 'beyond' || undefined}
        data-testid="place-reach"
      >
        {reasonWords(held.verdict)}
      </p>
      <p className={classes['told']} data-testid="landmarks">
        Roots near:{' '}
        {roots.map(({ string, fret }) => `string ${string} ${fret === 0 ? 'open' : `fret ${fret}`}`).join(' · ')}.{' '}
        {form &&
          (form.fret === 0
            ? `${form.name}’s open form itself. `
            : `${form.name}’s open form, ${counted(form.fret, 'fret')} up. `)}
        {more > 0 && (
          <>
            {counted(more, 'more shape')} over this bass: <a href={moreHref(shown)}>all in Build</a>.
          </>
        )}
      </p>
    </section>
  )
})

/** Build, on these strings over this bass. */
function moreHref(shown: ShownMap): string {
  const { chosen, rows, player } = shown
  if (!chosen) return '/'
  const row = rows.find((one) => placesOf(one).includes(chosen))
  const url = new URL(toBuild(shapeOf(chosen.frets, shown), player), 'http://here')
  if (row)
    url.searchParams.set(
      'strings',
      row.strings.map((index) => stringNumber(index, chosen.frets.length)).join(chosen.frets.length > 9 ? ' ' : ''),
    )
  url.searchParams.set('bass', chosen.bass)
  return `${url.pathname}${url.search}`
}

/** Roots that nobody sounds, as the eye goes by them. */
function Roots({
  window: { from, to, x, y },
  roots,
  frets,
  strings,
}: {
  readonly window: NeckWindow
  readonly roots: ReturnType<typeof landmarksOf>
  readonly frets: readonly (number | null)[]
  readonly strings: number
}) {
  return roots
    .map(({ string, fret }) => ({ string: strings - string, fret }))
    .filter(({ string, fret }) => fret >= from && fret <= to && frets[string] !== fret)
    .map(({ string, fret }) => (
      <Egg key={string} kind="ghost" x={x(fret)} y={y(string)} size={10} degree="R" label="R" />
    ))
}

/** What was where, with the way from there. */
function CameFrom({
  window: { x, y },
  from,
  frets,
}: {
  readonly window: NeckWindow
  readonly from: NonNullable<ShownMap['chosen']>['from']
  readonly frets: readonly (number | null)[]
}) {
  return from.map(({ string, fret, degree, by }) => {
    const to = frets[string]
    if (fret === undefined || to === null || to === undefined) return null
    const [a, b] = [x(fret), x(to)]
    const top = y(string) - 9
    return (
      <g key={string}>
        <Egg kind="ghost" x={a} y={y(string)} size={10} degree={degree} label={degreeSign(degree)} />
        <path
          d={`M${a + Math.sign(b - a) * 6} ${top + 1}Q${(a + b) / 2} ${top - 9} ${b - Math.sign(b - a) * 8} ${top}`}
          className={classes['arc']}
        />
        <text x={a - Math.sign(b - a) * 19} y={y(string) + 4} className={classes['by']}>
          {by > 0 ? '+' : '−'}
          {Math.abs(by)}
        </text>
      </g>
    )
  })
}

/** The reach as a bar: what the shape takes, where ease ends, where the hand ends. */
function Reach({ verdict, hand }: { readonly verdict: HandVerdict; readonly hand: HandProfile }) {
  const most = Math.max(hand.stretchMm, verdict.mm)
  const wide = (mm: number) => (mm / most) * 316
  return (
    <svg viewBox="0 0 316 14" className={classes['reach']} aria-hidden="true">
      <rect y="4" width={wide(hand.stretchMm)} height="6" rx="3" className={classes['reachAll']} />
      <rect
        y="4"
        width={Math.max(4, wide(verdict.mm))}
        height="6"
        rx="3"
        className={classes['reachNow']}
        data-stretch={verdict.kind === 'stretch' || undefined}
        data-beyond={verdict.kind === 'beyond' || undefined}
      />
      <path d={`M${wide(hand.comfortableMm)} 0V14`} stroke="var(--soft)" strokeWidth="1.5" />
    </svg>
  )
}
