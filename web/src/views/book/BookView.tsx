/** Book: all that is kept. Shapes by tune, found and sorted; the open one beside them; sets, sheets, files and copies. */
import { memo, useMemo, useState } from 'react'
import type { BookContents, Copy } from '../../contracts/book.ts'
import type { BookShapes } from '../../contracts/shape.ts'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { Acts } from './Acts.tsx'
import type { Params } from './address.ts'
import { BookSentence, FIND_ID } from './BookSentence.tsx'
import classes from './BookView.module.css'
import { Beside } from './beside/Beside.tsx'
import { Contents } from './Contents.tsx'
import { Files } from './files/Files.tsx'
import { bookKeys } from './keys.ts'
import { List } from './list/List.tsx'
import { Deleted } from './parts/Deleted.tsx'
import { Sets } from './parts/Sets.tsx'
import { Sheets } from './parts/Sheets.tsx'
import { Unreadable } from './parts/Unreadable.tsx'
import { useBook } from './useBook.ts'
import { useOpen } from './useOpen.ts'

export interface BookViewProps {
  readonly params: Params
  /** JSON of `BookContents`: of a large Book one text is faster on its way into the page than thousands of values. */
  readonly contents: string
  /** JSON of `BookShapes`. */
  readonly shapes: string
  readonly copies: readonly Copy[]
  readonly page: PageData
}

export default function BookView({ page, ...props }: BookViewProps) {
  return (
    <Shell view="Book" page={page} fixed>
      <Pages {...props} />
    </Shell>
  )
}

const Pages = memo(function Pages({ params, contents, shapes, copies }: Omit<BookViewProps, 'page'>) {
  const [first] = useState(() => [JSON.parse(contents) as BookContents, JSON.parse(shapes) as BookShapes] as const)
  const state = useBook(params, ...first)
  const open = useOpen(state)
  const { plan } = state
  const shared = useMemo(
    () => ({
      fieldId: FIND_ID,
      typeWords: 'find in the Book',
      play: open.hear,
      playWords: 'play the open shape',
      toTray: open.toTray,
      practise: () => open.practiseHref,
      toSheet: () => open.sheetHref,
    }),
    [open],
  )
  const keys = useMemo(() => bookKeys(state, open), [state, open])
  return (
    <Frame heading="Book" acts={shared} keys={keys} announcement={open.spoken}>
      <BookSentence state={state} />
      <Acts state={state} open={open} />
      <div className={classes['below']}>
        <Contents state={state} />
        <div className={classes['middle']}>
          {state.problem !== undefined && (
            <p role="alert" className={classes['problem']}>
              {state.problem}{' '}
              <button type="button" onClick={state.reload}>
                Try again
              </button>
            </p>
          )}
          {plan.part === 'shapes' && <List state={state} open={open} />}
          {plan.part === 'sets' && <Sets state={state} />}
          {plan.part === 'sheets' && <Sheets state={state} />}
          {plan.part === 'deleted' && <Deleted state={state} />}
          {plan.part === 'unreadable' && <Unreadable state={state} />}
          {plan.part === 'files' && <Files state={state} copies={copies} />}
        </div>
        <aside className={classes['beside']} aria-label="The open shape">
          <Beside state={state} open={open} />
        </aside>
      </div>
    </Frame>
  )
})
