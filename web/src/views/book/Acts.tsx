/** The acts of the Book: on the open shape, or on all that are selected. */
import { Menu } from '@mantine/core'
import { useState } from 'react'
import type { KeptShape } from '../../contracts/shape.ts'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { NameField } from '../../controls/NameField.tsx'
import { openKeys } from '../../shell/help.ts'
import { shownShape } from '../../state/book.ts'
import { toArpeggio, toMap } from '../../state/links.ts'
import { $player, $style } from '../../state/session.ts'
import { shapesBlock, toSheet } from '../../state/toSheet.ts'
import { shapesCopied } from '../../words/copied.ts'
import { counted } from '../../words/shapes.ts'
import classes from './BookView.module.css'
import type { BookState } from './useBook.ts'
import type { OpenShape } from './useOpen.ts'

interface BookActs {
  readonly state: BookState
  readonly open: OpenShape
}

export function Acts({ state, open }: BookActs) {
  const { selected } = state
  const { shape } = open
  const copied = shape && (() => shapesCopied([shape], $style.get()))
  const isMany = selected === 'all' || selected.size > 0
  return (
    <div className={classes['acts']}>
      <ActLine
        field={null}
        problem={isMany ? <Many state={state} /> : undefined}
        acts={actsOf(state, open)}
        openKeys={openKeys}
        copied={copied}
      />
    </div>
  )
}

function actsOf(
  state: BookState,
  { kept, shape, href, practiseHref, sheetHref, hear, toTray }: OpenShape,
): readonly (readonly Act[])[] {
  if (!kept || !shape) return [[{ words: 'Build', href: '/' }]]
  return [
    [
      { words: 'Play', keyHint: 'Space', isMain: true, run: hear },
      { words: 'Build', keyHint: 'Enter', href },
      { words: 'Map', href: toMap(shape, $player.get()) },
      { words: 'Arpeggio', href: toArpeggio(shape, $player.get()) },
    ],
    [
      { words: 'Add to tray', keyHint: 'T', run: toTray },
      { words: 'Practise', keyHint: 'R', href: practiseHref },
      { words: 'To a sheet', keyHint: 'W', href: sheetHref },
    ],
    [{ words: 'Select', keyHint: 'X', run: () => state.select(kept.id, true) }],
  ]
}

/** Many at once: how many, and what is done with them. */
function Many({ state }: { readonly state: BookState }) {
  const { selected, total, many, selectAll, selectNone, contents, shapes } = state
  const [isTagging, setTagging] = useState(false)
  const count = selected === 'all' ? total : selected.size
  const picked = selected === 'all' ? [] : [...shapes.values()].filter(({ id }) => selected.has(id))
  return (
    <div className={classes['many']} role="group" aria-label="Selected shapes">
      <strong role="status">{counted(count, 'shape')} selected</strong>
      {isTagging ? (
        <NameField
          label="Tag for all of them"
          name=""
          mayBeEmpty
          width={160}
          placeholder="a tag"
          done={(tag) => {
            setTagging(false)
            const word = (tag ?? '').replace(/[;,]/g, ' ').trim().slice(0, 30)
            if (word !== '') many({ kind: 'tag', tag: word })
          }}
        />
      ) : (
        <button type="button" onClick={() => setTagging(true)}>
          tag
        </button>
      )}
      <Menu position="bottom-start">
        <Menu.Target>
          <button type="button">move to a tune</button>
        </Menu.Target>
        <Menu.Dropdown mah={330} style={{ overflowY: 'auto' }}>
          <Menu.Item onClick={() => many({ kind: 'move', tune: null })}>in no tune</Menu.Item>
          {contents.tunes.map(({ id, title }) => (
            <Menu.Item key={id} onClick={() => many({ kind: 'move', tune: id })}>
              {title}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
      {contents.tags.length > 0 && (
        <Menu position="bottom-start">
          <Menu.Target>
            <button type="button">take a tag off</button>
          </Menu.Target>
          <Menu.Dropdown mah={330} style={{ overflowY: 'auto' }}>
            {contents.tags.map(({ tag }) => (
              <Menu.Item key={tag} onClick={() => many({ kind: 'untag', tag })}>
                {tag}
              </Menu.Item>
            ))}
          </Menu.Dropdown>
        </Menu>
      )}
      {picked.length === count && count <= MOST_ON_A_SHEET && <a href={sheetOf(picked)}>to a sheet</a>}
      <button type="button" data-danger onClick={() => many({ kind: 'delete' })}>
        delete <kbd>Del</kbd>
      </button>
      {selected !== 'all' && count < total && (
        <button type="button" onClick={selectAll}>
          all {total}
        </button>
      )}
      <button type="button" onClick={selectNone}>
        none
      </button>
    </div>
  )
}

/** So many travel in an address. */
const MOST_ON_A_SHEET = 40

const sheetOf = (picked: readonly KeptShape[]): string =>
  toSheet(
    shapesBlock(
      picked.flatMap((kept) => {
        const shape = shownShape(kept)?.shape
        return shape ? [{ shape, name: kept.name, note: kept.note }] : []
      }),
    ),
  )
