/** Sheet: a page composed from blocks, seen as it will be printed; the same page goes to paper and into files. */
import { memo, useEffect, useMemo, useState } from 'react'
import type { KeptSheet } from '../../contracts/sheet.ts'
import type { KeptTune } from '../../contracts/tune.ts'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { putIn } from '../../state/toSheet.ts'
import { Acts } from './Acts.tsx'
import { Blocks } from './Blocks.tsx'
import { Choose, type OtherSheet } from './Choose.tsx'
import { sheetKeys } from './keys.ts'
import { Pages } from './Pages.tsx'
import { readPut } from './put.ts'
import { SheetSentence } from './SheetSentence.tsx'
import classes from './SheetView.module.css'
import { useSaving } from './useSaving.ts'
import { useSheet } from './useSheet.ts'

type Put = ReturnType<typeof putIn>

export interface SheetViewProps {
  /** `undefined` where none is named, or none is there. */
  readonly sheet: KeptSheet | undefined
  readonly tunes: readonly KeptTune[]
  readonly others: readonly OtherSheet[]
  readonly page: PageData
}

export default function SheetView({ sheet, tunes, others, page }: SheetViewProps) {
  // A block on its way from another view; the server knows nothing of it.
  const [put, setPut] = useState<Put>(undefined)
  useEffect(() => setPut(putIn(window.location.hash)), [])
  return (
    <Shell view="Sheet" page={page} fixed foldsTray={false}>
      {sheet ? <Bench first={sheet} tunes={tunes} put={put} /> : <Choose others={others} put={put} />}
    </Shell>
  )
}

const Bench = memo(function Bench({
  first,
  tunes,
  put,
}: {
  readonly first: KeptSheet
  readonly tunes: readonly KeptTune[]
  readonly put: Put
}) {
  const state = useSheet(first, tunes)
  const saving = useSaving(state)
  const [zoom, setZoom] = useState<'fit' | 'true'>('fit')
  const arrives = useMemo(() => readPut(put?.text), [put])
  const { put: putOn } = state
  useEffect(() => {
    if (!arrives) return
    putOn(arrives)
    // It has arrived: opened again, the address does not bring it once more.
    window.history.replaceState(null, '', `/sheet?sheet=${first.id}`)
  }, [arrives, putOn, first.id])
  const keys = useMemo(
    () => sheetKeys(state, saving, () => setZoom((now) => (now === 'fit' ? 'true' : 'fit'))),
    [state, saving],
  )
  return (
    <Frame
      title={state.sheet.title}
      heading={`Sheet: ${state.sheet.title}`}
      acts={{ undo: state.undo, redo: state.redo, hasEggs: false }}
      keys={keys}
    >
      <SheetSentence state={state}>
        <Acts
          state={state}
          saving={saving}
          zoom={zoom}
          turnZoom={() => setZoom((now) => (now === 'fit' ? 'true' : 'fit'))}
        />
      </SheetSentence>
      <div className={classes['below']}>
        <Blocks state={state} />
        <Pages state={state} zoom={zoom} />
      </div>
    </Frame>
  )
})
