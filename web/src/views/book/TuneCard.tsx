import { ActionIcon, Group, Tooltip } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import type { KeptTune } from '../../contracts/tune.ts'
import { IconTrash } from '../../controls/icons.ts'
import { $session } from '../../state/session.ts'
import { addressOfTune, practiceOfTune } from '../../state/tunes.ts'
import { counted } from '../../words/shapes.ts'
import classes from './BookView.module.css'

export interface TuneCardProps {
  readonly tune: KeptTune
  readonly remove: (tune: KeptTune) => Promise<void>
}

/** As many chords as are told of a tune. */
const SHOWN = 8

/** A kept tune: its first chords with their shapes; it opens in Path. */
export function TuneCard({ tune, remove }: TuneCardProps) {
  const { settings } = useStore($session)
  const symbol = (text: string) => {
    const read = readSymbol(text)
    return read.ok ? writeSymbol(read.value, { naming: settings.naming, school: settings.symbols }) : text
  }
  const more = tune.chords.length - SHOWN
  return (
    <article className={classes['card']} aria-label={tune.title} data-testid="kept-tune">
      <div className={classes['words']}>
        <h2>
          <a href={addressOfTune(tune)}>{tune.title}</a>
        </h2>
        <ol className={classes['row']}>
          {tune.chords.slice(0, SHOWN).map((chord, index) => (
            <li key={`${index}${chord.symbol}`}>
              <strong>{symbol(chord.symbol)}</strong> {chord.frets}
            </li>
          ))}
          {more > 0 && <li>and {counted(more, 'chord')} more</li>}
        </ol>
        <p className={classes['go']}>
          <a href={practiceOfTune(tune)} aria-label={`Practise ${tune.title}`}>
            Practise
          </a>
        </p>
      </div>
      <Group gap={4} className={classes['acts']} wrap="nowrap">
        <Tooltip label="Delete">
          <ActionIcon
            variant="subtle"
            color="gray"
            aria-label={`Delete ${tune.title}`}
            onClick={() => void remove(tune)}
          >
            <IconTrash size={17} />
          </ActionIcon>
        </Tooltip>
      </Group>
    </article>
  )
}
