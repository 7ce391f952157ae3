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

/** What only the player can decide, and the ways. */
export function ChoiceNotice({
  words,
  ways,
  done,
}: {
  readonly words: string
  readonly ways: readonly (readonly [name: string, act: () => void])[]
  readonly done: () => void
}) {
  return (
    <Group justify="space-between" wrap="nowrap">
      <span>{words}</span>
      <Group gap="xs" wrap="nowrap">
        {ways.map(([name, act]) => (
          <Button
            key={name}
            size="compact-sm"
            variant="default"
            onClick={() => {
              done()
              act()
            }}
          >
            {name}
          </Button>
        ))}
      </Group>
    </Group>
  )
}
