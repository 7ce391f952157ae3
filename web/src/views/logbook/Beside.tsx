/** Beside the grid: one egg's own history, what is due, and what asks for more. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { writeNote } from '@nestling/core/pitch'
import { readCard, readSuffix, type Weak } from '@nestling/core/practice'
import { useMemo } from 'react'
import type { LogSummary } from '../../contracts/practice.ts'
import { HandNeck } from '../../neck/HandNeck.tsx'
import { useEggLabels } from '../../shell/useEggLabels.ts'
import { toBuild } from '../../state/links.ts'
import { $player, $session } from '../../state/session.ts'
import { cardWords } from '../../words/cards.ts'
import { FAULT_WORDS, suffixSigns } from '../../words/practice.ts'
import { counted } from '../../words/shapes.ts'
import classes from './Beside.module.css'
import { Entry } from './Entry.tsx'
import { rowWords } from './Home.tsx'
import { runHref } from './practise.ts'
import { rootName } from './roots.ts'
import { shapeHeld } from './shapeHeld.ts'
import type { LogState } from './useLogbook.ts'

export function Beside({ state, log }: { readonly state: LogState; readonly log: LogSummary }) {
  return (
    <>
      {log.row !== undefined && <OneEgg state={state} log={log} />}
      <Due state={state} />
      <Weaknesses log={log} />
    </>
  )
}

const SPAN = 5

function OneEgg({ state, log }: { readonly state: LogState; readonly log: LogSummary }) {
  const { settings, instrument } = useStore($session)
  const player = useStore($player)
  const row = log.rows.find(({ key }) => key === log.row)
  const cell = row?.cells[log.root]
  const root = rootName(log.root)
  const labelOf = useEggLabels(root)
  const [last] = log.own
  const frets = last?.frets
  const tuning = last?.tuning
  const held = useMemo(
    () =>
      row && frets !== undefined && tuning !== undefined
        ? shapeHeld(root, row.suffix, frets, tuning, player)
        : undefined,
    [row, root, frets, tuning, player],
  )
  if (!row) return null
  const formula = readSuffix(row.suffix.replace(/^arpeggio /, ''))
  const name = formula
    ? writeSymbol({ root, formula }, { naming: settings.naming, school: settings.symbols })
    : writeNote(root, settings.naming)
  const pressed = held?.shape.frets.flatMap((fret) => (fret ? [fret] : [])) ?? []
  const from = Math.max(1, Math.min(...pressed, 99) - 1)
  return (
    <section aria-label="This shape on this root" className={classes['section']}>
      <p className={classes['egg']}>
        <strong>{name}</strong>{' '}
        {cell ? (cell.best === undefined ? 'not yet clean' : `clean at ${cell.best}`) : 'not yet played'}
        {last && <span>{last.frets}</span>}
      </p>
      <p className={classes['quiet']}>
        {rowWords(row)}
        {held && ` · ${Math.round(held.reachMm)} mm`} · played {counted(log.ownTotal, 'time')}
      </p>
      {held && pressed.length > 0 && (
        <HandNeck
          frets={held.shape.frets}
          degrees={held.degrees}
          fingering={held.fingering}
          from={from}
          to={Math.max(from + SPAN - 1, Math.max(...pressed) + 1)}
          lowOnTop={settings.lowOnTop}
          leftHanded={instrument.handed === 'left'}
          labelOf={labelOf}
        />
      )}
      <p className={classes['acts']}>
        <a href={runHref(row, root, undefined, true)}>
          practise it <kbd>R</kbd>
        </a>
        {held && <a href={toBuild(held.shape, player)}>build it</a>}
      </p>
      <ol className={classes['entries']} aria-label="Its history">
        {log.own.map((entry) => (
          <Entry key={entry.id} entry={entry} state={state} />
        ))}
      </ol>
      {log.ownTotal > log.own.length && (
        <p className={classes['quiet']}>and {log.ownTotal - log.own.length} older ones: all are in the CSV</p>
      )}
    </section>
  )
}

const MOST_DUE = 4

function Due({ state: { due } }: { readonly state: LogState }) {
  const { settings } = useStore($session)
  if (!due) return null
  return (
    <section aria-label="Due today" className={classes['section']}>
      <h2>
        Due today{' '}
        <span>
          {due.rest
            ? 'a day of rest'
            : due.cards.length === 0
              ? 'nothing'
              : `${due.cards.length}, about ${counted(due.minutes, 'minute')}`}
        </span>
      </h2>
      <ul className={classes['list']}>
        {due.cards.slice(0, MOST_DUE).map(({ id, card, tuning, isNew, isLost }) => {
          const read = readCard(card, tuning.split(',').length)
          return (
            <li key={id}>
              <b>{read ? cardWords(read, settings.naming) : card}</b>
              <span>{isNew ? 'a new one' : isLost ? 'was lost' : 'due again'}</span>
            </li>
          )
        })}
      </ul>
      {due.cards.length > MOST_DUE && <p className={classes['quiet']}>and {due.cards.length - MOST_DUE} more</p>}
    </section>
  )
}

function Weaknesses({ log }: { readonly log: LogSummary }) {
  const { settings } = useStore($session)
  const row = log.rows.find(({ key }) => key === log.row) ?? { suffix: 'm7', string: 5 }
  if (log.weak.length === 0) return null
  const words = (weak: Weak): { readonly what: string; readonly how: string; readonly href: string } => {
    switch (weak.kind) {
      case 'root':
        return {
          what: writeNote(rootName(weak.root), settings.naming),
          how: `lost or hard ${weak.lost} of ${weak.of}`,
          href: runHref(row, rootName(weak.root)),
        }
      case 'shape':
        return {
          what: `${suffixSigns(weak.suffix) || 'major'} on ${weak.string}`,
          how: `lost or hard ${weak.lost} of ${weak.of}`,
          href: runHref(weak, 'E'),
        }
      case 'string':
        return {
          what: `string ${weak.string}`,
          how: `${FAULT_WORDS[weak.fault] ?? weak.fault}, ${weak.times} of ${weak.of}`,
          href: runHref(row, 'E'),
        }
    }
  }
  return (
    <section aria-label="Asks for more" className={classes['section']}>
      <h2>
        Asks for more <span>from the latest runs</span>
      </h2>
      <ul className={classes['list']}>
        {log.weak.map((weak) => {
          const { what, how, href } = words(weak)
          return (
            <li key={`${what} ${how}`}>
              <a href={href}>
                <b>{what}</b>
              </a>
              <span>{how}</span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
