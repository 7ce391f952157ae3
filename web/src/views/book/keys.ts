/** The keys of the Book. */
import type { KeyLine } from '../../shell/keyTable.ts'
import type { BookState } from './useBook.ts'
import type { OpenShape } from './useOpen.ts'

export function bookKeys(state: BookState, { kept, href }: OpenShape): readonly KeyLine[] {
  const { shapes, change, remove, many, select, selected, selectNone, total, plan } = state
  if (plan.part !== 'shapes') return []
  const at = kept === undefined ? -1 : ([...shapes].find(([, { id }]) => id === kept.id)?.[0] ?? -1)
  const go = (by: number) => () => {
    const next = shapes.get(Math.min(total - 1, Math.max(0, at + by)))
    if (next) change({ open: next.id })
  }
  const isMany = selected === 'all' || selected.size > 0
  const isSelected = kept !== undefined && (selected === 'all' || selected.has(kept.id))
  return [
    {
      keys: ['←', '→', '↑', '↓'],
      does: 'opens another shape',
      acts: {
        ArrowLeft: go(-1),
        ArrowRight: go(1),
        ArrowUp: go(-1),
        ArrowDown: go(1),
        Home: go(-total),
        PageUp: go(-12),
        PageDown: go(12),
      },
    },
    {
      keys: ['Enter'],
      does: 'opens it in Build',
      acts: { Enter: () => href !== undefined && window.location.assign(href) },
    },
    { keys: ['X'], does: 'selects it, or not', acts: { x: () => kept && select(kept.id, !isSelected) } },
    {
      keys: ['Del'],
      does: 'deletes what is selected, or the open shape',
      acts: { Delete: () => (isMany ? many({ kind: 'delete' }) : kept && remove(kept)) },
    },
    { keys: ['Esc'], does: 'selects nothing', acts: { Escape: selectNone } },
  ]
}
