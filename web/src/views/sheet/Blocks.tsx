/** The blocks of a sheet in their order: dragged, moved by keys, each with its settings; and what can be put in. */
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { useStore } from '@nanostores/react'
import type { Block, BlockKind, BlockPlace } from '@nestling/core/sheet'
import { $tray } from '../../state/tray.ts'
import { BlockSettings } from './BlockSettings.tsx'
import classes from './Blocks.module.css'
import { newBlock } from './newBlock.ts'
import type { SheetState } from './useSheet.ts'

const PUT: readonly (readonly [BlockKind, string])[] = [
  ['title', 'a title'],
  ['chart', 'a tune'],
  ['key', 'a key'],
  ['map', 'a map'],
  ['arpeggio', 'an arpeggio'],
  ['shapes', 'shapes from the tray'],
  ['words', 'words'],
  ['legend', 'what the fillings mean'],
]

export function Blocks({ state }: { readonly state: SheetState }) {
  const { sheet, tunes, put, chosen, moveTo } = state
  const tray = useStore($tray)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) moveTo(String(active.id), String(over.id))
  }
  return (
    <section aria-label="Blocks" className={classes['blocks']}>
      <DndContext id="sheet-blocks" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
        <SortableContext items={sheet.blocks.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <ol>
            {sheet.blocks.map((block, index) => (
              <OneBlock key={block.id} block={block} index={index} state={state} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      {sheet.blocks.length === 0 && <p className={classes['empty']}>Nothing is on the page yet: put something in.</p>}
      <p className={classes['putIn']}>
        <kbd>Ins</kbd> put in{chosen === undefined ? ' at the end' : ' below the chosen block'}:{' '}
        {PUT.map(([kind, words], index) => (
          <button
            key={kind}
            type="button"
            {...(index === 0 ? { id: 'sheet-put-in' } : {})}
            onClick={() => put(newBlock(kind, { tunes, tray }), chosen)}
          >
            {words}
          </button>
        ))}
      </p>
    </section>
  )
}

function OneBlock({
  block,
  index,
  state,
}: {
  readonly block: Block
  readonly index: number
  readonly state: SheetState
}) {
  const { sheet, pages, chosen, choose, move, remove } = state
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({
    id: block.id,
  })
  const isChosen = chosen === block.id
  const name = blockName(block, state)
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? '' }}
      data-chosen={isChosen || undefined}
      data-testid="block"
    >
      <div className={classes['head']}>
        <button
          type="button"
          className={classes['grip']}
          ref={setActivatorNodeRef}
          {...attributes}
          {...listeners}
          aria-label={`Drag ${name}`}
        >
          ⠿
        </button>
        <button
          type="button"
          className={classes['name']}
          aria-expanded={isChosen}
          onClick={() => choose(isChosen ? undefined : block.id)}
        >
          {name}
        </button>
        <small>{placeWords(block.id, pages?.places ?? [])}</small>
      </div>
      {isChosen && (
        <div className={classes['settings']}>
          <BlockSettings block={block} state={state} />
          <p className={classes['acts']}>
            <button type="button" disabled={index === 0} onClick={() => move(block.id, -1)}>
              earlier <kbd>Shift ↑</kbd>
            </button>
            <button type="button" disabled={index === sheet.blocks.length - 1} onClick={() => move(block.id, 1)}>
              later <kbd>Shift ↓</kbd>
            </button>
            <button type="button" onClick={() => remove(block.id)}>
              off the page <kbd>Del</kbd>
            </button>
          </p>
        </div>
      )}
    </li>
  )
}

/** What a block is, told by what is in it. */
function blockName(block: Block, { tunes, sheet }: Pick<SheetState, 'tunes' | 'sheet'>): string {
  switch (block.kind) {
    case 'title':
      return `Title: ${block.text || sheet.title}`
    case 'chart': {
      const { source } = block
      const title =
        source.kind === 'kept'
          ? (tunes.find(({ id }) => id === source.tune)?.title ?? 'a tune that is gone')
          : 'a chart'
      return `${title}${block.from === undefined && block.to === undefined ? '' : `, bars ${block.from ?? 1} to ${block.to ?? 'the end'}`}`
    }
    case 'key':
      return `The key of ${block.key}`
    case 'map':
      return `Map of ${block.chord}`
    case 'arpeggio':
      return `Arpeggio of ${block.chord}`
    case 'shapes':
      return `${block.title || 'Shapes'} (${block.shapes.length})`
    case 'words':
      return `“${block.text.slice(0, 32)}${block.text.length > 32 ? '…' : ''}”`
    case 'legend':
      return 'What the fillings mean'
  }
}

/** Where it lies, and how much of the page it takes. */
function placeWords(id: string, places: readonly BlockPlace[]): string {
  const own = places.filter(({ block }) => block === id)
  const height = Math.round(own.reduce((sum, { top, bottom }) => sum + bottom - top, 0))
  const [first] = own
  if (!first) return ''
  const last = own.at(-1)?.page ?? first.page
  return `${height} mm${last === first.page ? (first.page > 0 ? `, page ${first.page + 1}` : '') : `, pages ${first.page + 1} to ${last + 1}`}`
}
