import { Button, Group } from '@mantine/core'

/** What was taken away, and the way to bring it back. */
export function UndoNotice({ words, undo }: { readonly words: string; readonly undo: () => void }) {
  return (
    <Group justify="space-between" wrap="nowrap">
      <span style={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>{words}</span>
      <Button size="compact-sm" variant="default" onClick={undo}>
        Undo
      </Button>
    </Group>
  )
}
