/** The acts of the logbook: practise what is due, this root, this row; save it as a table. */
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { openKeys } from '../../shell/help.ts'
import type { KeyLine } from '../../shell/keyTable.ts'
import { rowWords } from './Home.tsx'
import { runHref } from './practise.ts'
import { rootName, rootsInOrder } from './roots.ts'
import type { LogState } from './useLogbook.ts'

const rowOf = ({ log, row }: LogState) => log?.rows.find(({ key }) => key === row)

export function Acts({ state }: { readonly state: LogState }) {
  const { log, due, from, to, plan } = state
  const row = rowOf(state)
  const csv = new URLSearchParams({ to, format: 'csv' })
  if (from !== undefined) csv.set('from', from)
  if (plan.instrument !== undefined) csv.set('instrument', plan.instrument)
  if (plan.material !== undefined) csv.set('material', plan.material)
  const acts: readonly (readonly Act[])[] = [
    [
      {
        words: due && due.cards.length > 0 ? `Practise what is due: ${due.cards.length}` : 'Cards',
        href: '/cards',
        isMain: (due?.cards.length ?? 0) > 0,
      },
      ...(row
        ? [{ words: `the row: ${rowWords(row)}`, keyHint: 'Shift R', href: runHref(row, rootName(state.root)) }]
        : []),
      { words: 'A run', href: '/practice' },
    ],
    [
      { words: state.asTables ? 'as drawings' : 'as tables', keyHint: 'V', run: state.turnTables },
      ...(log && log.total > 0 ? [{ words: 'Save as CSV', href: `/api/log?${csv}` }] : []),
    ],
  ]
  return <ActLine field={null} problem={undefined} acts={acts} openKeys={openKeys} />
}

export function logKeys(state: LogState): readonly KeyLine[] {
  const { log, plan, change } = state
  const row = rowOf(state)
  const roots = rootsInOrder(plan.cycle)
  const beside = (by: number) => {
    if (!log) return
    const at = roots.indexOf(state.root)
    change({ row: state.row, root: roots[(at + by + roots.length) % roots.length] })
  }
  const rowBy = (by: number) => {
    if (!log || log.rows.length === 0) return
    const at = log.rows.findIndex(({ key }) => key === state.row)
    change({ row: log.rows[Math.min(log.rows.length - 1, Math.max(0, at + by))]?.key, root: state.root })
  }
  const go = (event: KeyboardEvent) => {
    if (row) window.location.assign(runHref(row, rootName(state.root), undefined, !event.shiftKey))
  }
  return [
    {
      keys: ['←', '→', '↑', '↓'],
      does: 'another root, another shape',
      acts: {
        ArrowLeft: () => beside(-1),
        ArrowRight: () => beside(1),
        ArrowUp: () => rowBy(-1),
        ArrowDown: () => rowBy(1),
      },
    },
    { keys: ['R'], does: 'practise this root; with Shift the whole row', acts: { r: go } },
    { keys: ['V'], does: 'charts as tables, or as drawings', acts: { v: state.turnTables } },
  ]
}
