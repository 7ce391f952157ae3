import { Button, Group } from '@mantine/core'

export function UndoNotice({ name, undo }: { readonly name: string; readonly undo: () => void }) {
  return (
    <Group justify="space-between" wrap="nowrap">
      <span>Deleted: {name}</span>
      <Button size="compact-sm" variant="default" onClick={undo}>
        Undo
      </Button>
    </Group>
  )
}
