/** The acts of a sheet: paper and files. */

import { addressOfTune } from '../../contracts/tuneAddresses.ts'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { openKeys } from '../../shell/help.ts'
import classes from './SheetView.module.css'
import type { SavingState } from './useSaving.ts'
import type { SheetState } from './useSheet.ts'

export interface SheetActsProps {
  readonly state: SheetState
  readonly saving: SavingState
  readonly zoom: 'fit' | 'true'
  readonly turnZoom: () => void
}

export function Acts({ state, saving, zoom, turnZoom }: SheetActsProps) {
  const { sheet, tunes, kept, pages } = state
  const first = sheet.blocks.find((block) => block.kind === 'chart')
  const tune =
    first?.source.kind === 'kept'
      ? tunes.find(({ id }) => first.source.kind === 'kept' && id === first.source.tune)
      : undefined
  const isWaiting = pages === undefined || saving.progress !== undefined
  const acts: readonly (readonly Act[])[] = [
    [
      { words: 'Print', keyHint: 'Ctrl P', isMain: true, run: saving.print },
      { words: 'PDF', keyHint: 'D', run: saving.pdf, disabled: isWaiting },
      { words: 'SVG', run: saving.svg, disabled: isWaiting },
      { words: 'PNG', run: saving.png, disabled: isWaiting },
    ],
    tune
      ? [
          { words: 'MusicXML', href: `/api/tunes/${tune.id}.musicxml` },
          { words: 'ChordPro', href: `/api/tunes/${tune.id}.cho` },
          { words: 'MIDI', href: `/api/tunes/${tune.id}.mid` },
          { words: 'To Path', keyHint: 'P', href: addressOfTune(tune.id) },
        ]
      : [],
    [{ words: zoom === 'fit' ? 'True size' : 'Whole page', keyHint: 'Z', run: turnZoom }],
  ]
  const { progress } = saving
  return (
    <ActLine
      field={null}
      problem={
        progress === undefined ? undefined : (
          <span className={classes['progress']} role="status">
            <progress value={progress} max={1} aria-label="Writing the file" /> writing the file…
            <button type="button" onClick={saving.stop}>
              Stop
            </button>
          </span>
        )
      }
      acts={[...acts.filter((group) => group.length > 0), [{ words: kept, disabled: true }]]}
      past={{ canUndo: state.canUndo, canRedo: state.canRedo }}
      undo={state.undo}
      redo={state.redo}
      openKeys={openKeys}
    />
  )
}
