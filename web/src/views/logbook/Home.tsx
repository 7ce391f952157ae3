/** Where the hand is at home: shape by root, an egg that fills with the best clean tempo. */
import { useStore } from '@nanostores/react'
import { type Neck, neckOf } from '@nestling/core/neck'
import { type NamingSystem, writeNote } from '@nestling/core/pitch'
import { type HomeCell, type HomeRow, readSuffix } from '@nestling/core/practice'
import { tonesReader } from '@nestling/core/voicing'
import { memo, useCallback, useMemo } from 'react'
import type { LogSummary } from '../../contracts/practice.ts'
import { SmallNeck } from '../../neck/SmallNeck.tsx'
import { fretsIn } from '../../state/links.ts'
import { $session } from '../../state/session.ts'
import { GRADE_WORDS, suffixSigns } from '../../words/practice.ts'
import { counted } from '../../words/shapes.ts'
import classes from './Home.module.css'
import { fullness, rootName, rootsInOrder, SLOWEST_TOLD } from './roots.ts'
import type { LogState } from './useLogbook.ts'

/** More rows than this stand closer, and lose their small necks. */
const ROOMY_ROWS = 9

export const rowWords = ({ suffix, string }: Pick<HomeRow, 'suffix' | 'string'>): string =>
  `${suffixSigns(suffix) || 'major'}${string > 0 ? ` on ${string}` : ''}`

export function Home({ state, log }: { readonly state: LogState; readonly log: LogSummary }) {
  const { settings } = useStore($session)
  const { plan, change } = state
  const roots = useMemo(() => rootsInOrder(plan.cycle), [plan.cycle])
  const { rows } = log
  const choose = useCallback((row: string, root: number) => change({ row, root }), [change])
  const wished = settings.wishedTempo
  const between = Math.round((SLOWEST_TOLD + wished) / 2)
  return (
    <section
      aria-label="Where the hand is at home"
      className={classes['home']}
      data-crowded={rows.length > ROOMY_ROWS || undefined}
    >
      <div className={classes['head']}>
        <h2>Where the hand is at home</h2>
        <p>an egg fills with the best clean tempo; dashed: not yet</p>
        <p className={classes['legend']}>
          <Egg full={0} /> {SLOWEST_TOLD} <Egg full={0.5} /> {between} <Egg full={1} /> {wished}, as wished
        </p>
      </div>
      <div className={classes['scroll']}>
        <table className={classes['grid']} aria-label="Shapes by root">
          <thead>
            <tr>
              <th scope="col">
                <span className="heard-only">Shape</span>
              </th>
              {roots.map((root) => (
                <th key={root} scope="col" aria-current={root === state.root || undefined}>
                  {writeNote(rootName(root), settings.naming)}
                </th>
              ))}
              <th scope="col">
                <span className="heard-only">From slowest to quickest</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.length === 0 && <NoRows roots={roots} />}
            {rows.map((row) => (
              <Row
                key={row.key}
                row={row}
                roots={roots}
                chosen={row.key === state.row ? state.root : undefined}
                wished={wished}
                choose={choose}
              />
            ))}
          </tbody>
        </table>
      </div>
      {rows.length === 0 && (
        <p className={classes['first']}>
          Nothing was played in this time. A first round of minor sevenths by fourths takes a minute at 60.{' '}
          <a href="/practice">Start it</a>
        </p>
      )}
    </section>
  )
}

/** What will be there: the same eggs, dashed. */
const NoRows = ({ roots }: { readonly roots: readonly number[] }) =>
  ['m7', 'maj7', '7'].map((suffix) => (
    <tr key={suffix}>
      <th scope="row" className={classes['name']}>
        {suffix}
      </th>
      {roots.map((root) => (
        <td key={root}>
          <Egg full={undefined} />
        </td>
      ))}
      <td />
    </tr>
  ))

interface RowProps {
  readonly row: HomeRow
  readonly roots: readonly number[]
  /** The root that is looked at, in the row that is. */
  readonly chosen: number | undefined
  readonly wished: number
  readonly choose: (row: string, root: number) => void
}

const Row = memo(function Row({ row, roots, chosen, wished, choose }: RowProps) {
  const { settings, instrument } = useStore($session)
  const neck = useMemo(() => neckOf(instrument), [instrument])
  const bests = row.cells.flatMap((cell) => cell?.best ?? [])
  const range =
    bests.length === 0
      ? ''
      : Math.min(...bests) === Math.max(...bests)
        ? String(bests[0])
        : `${Math.min(...bests)}–${Math.max(...bests)}`
  return (
    <tr data-chosen={chosen !== undefined || undefined}>
      <th scope="row" className={classes['name']}>
        <span>{suffixSigns(row.suffix) || 'major'}</span> <small>{row.string > 0 && `on ${row.string}`}</small>
        <Sign row={row} neck={neck} />
      </th>
      {roots.map((root) => {
        const cell = row.cells[root] ?? null
        const isChosen = chosen === root
        const words = cellWords(row, root, cell, settings.naming)
        return (
          <td key={root}>
            <button
              type="button"
              className={classes['cell']}
              aria-label={words}
              title={words}
              aria-current={isChosen || undefined}
              tabIndex={isChosen ? 0 : -1}
              onClick={() => choose(row.key, root)}
            >
              <Egg
                full={cell === null ? undefined : cell.best === undefined ? 0 : fullness(cell.best, wished)}
                isOpen={cell !== null && cell.best === undefined}
                isChosen={isChosen}
              />
              {chosen !== undefined && (
                <span className={classes['number']}>{cell === null ? 'new' : (cell.best ?? '–')}</span>
              )}
            </button>
          </td>
        )
      })}
      <td className={classes['range']}>{range}</td>
    </tr>
  )
})

function cellWords(row: HomeRow, root: number, cell: HomeCell | null, naming: NamingSystem): string {
  const name = `${writeNote(rootName(root), naming)}${suffixSigns(row.suffix)}${row.string > 0 ? ` on string ${row.string}` : ''}`
  if (!cell) return `${name}: not yet played`
  return `${name}: ${cell.best === undefined ? 'not yet clean' : `clean at ${cell.best}`}, played ${counted(cell.times, 'time')}, last ${GRADE_WORDS[cell.last]}`
}

/** The shape as a sign beside its name. */
function Sign({ row, neck }: { readonly row: HomeRow; readonly neck: Neck }) {
  const frets = fretsIn(row.frets, neck.open.length)
  const formula = readSuffix(row.suffix.replace(/^arpeggio /, ''))
  const root = row.cells.findIndex((cell) => cell !== null)
  if (!frets || !formula || root < 0) return <span className={classes['noSign']} />
  const degrees = degreesOf(frets, formula, neck)
  return <SmallNeck frets={frets} degrees={degrees} width={62} row={5.6} numbered={false} />
}

/** On whichever root the shape stands: the one that makes most of its tones the chord's. */
function degreesOf(
  frets: NonNullable<ReturnType<typeof fretsIn>>,
  formula: NonNullable<ReturnType<typeof readSuffix>>,
  neck: Neck,
) {
  for (let root = 0; root < 12; root++) {
    const degrees = tonesReader({ root: rootName(root), formula }, neck)(frets)?.degrees
    if (degrees?.every((degree, string) => (frets[string] === null) === (degree === null)) && degrees.includes('R'))
      return degrees
  }
  return frets.map(() => null)
}

/** @param full 0 to 1; `undefined` where it was never played. */
function Egg({
  full,
  isOpen = false,
  isChosen = false,
}: {
  readonly full: number | undefined
  readonly isOpen?: boolean
  readonly isChosen?: boolean
}) {
  const shape = { cx: 22, cy: 16, transform: 'rotate(-14 22 16)' }
  return (
    <svg viewBox="0 0 44 32" className={classes['egg']} aria-hidden="true">
      {isChosen && <ellipse {...shape} rx={20} ry={15} className={classes['chosen']} />}
      <ellipse
        {...shape}
        rx={15.5}
        ry={11.5}
        className={classes['rim']}
        data-new={full === undefined || isOpen || undefined}
      />
      {full !== undefined && full > 0 && (
        <ellipse
          {...shape}
          rx={15.5}
          ry={11.5}
          className={classes['fill']}
          style={{ clipPath: `inset(${Math.round((1 - full) * 100)}% 0 0 0)` }}
        />
      )}
    </svg>
  )
}
