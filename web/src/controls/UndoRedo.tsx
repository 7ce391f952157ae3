import { ActionIcon, Tooltip } from '@mantine/core'
import { IconArrowBackUp, IconArrowForwardUp } from './icons.ts'

export interface UndoRedoProps {
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly undo: () => unknown
  readonly redo: () => unknown
}

export const UndoRedo = ({ canUndo, canRedo, undo, redo }: UndoRedoProps) => (
  <>
    <Tooltip label="Undo (Ctrl Z)">
      <ActionIcon variant="subtle" color="gray" aria-label="Undo" disabled={!canUndo} onClick={() => undo()}>
        <IconArrowBackUp size={17} />
      </ActionIcon>
    </Tooltip>
    <Tooltip label="Redo (Ctrl Shift Z)">
      <ActionIcon variant="subtle" color="gray" aria-label="Redo" disabled={!canRedo} onClick={() => redo()}>
        <IconArrowForwardUp size={17} />
      </ActionIcon>
    </Tooltip>
  </>
)
