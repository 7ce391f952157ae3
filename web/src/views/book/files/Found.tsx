/** What a file holds: new, the same, otherwise here; what it can't be taken; a choice for all and for each. */
import type { FileKind } from '@nestling/formats/anyfile'
import type { NotebookTable } from '@nestling/formats/notebook'
import { CHOICES, type PreviewItem, type Choice as Taken } from '../../../contracts/notebook.ts'
import { Choice } from '../../../controls/Choice.tsx'
import { fileWords } from '../../../words/files.ts'
import { counted } from '../../../words/shapes.ts'
import classes from './Files.module.css'
import type { Reading, ReadingState } from './useReading.ts'

const KIND_WORDS: Readonly<Record<FileKind, string>> = {
  notebook: 'a notebook',
  musicxml: 'MusicXML',
  midi: 'a MIDI file',
  chordpro: 'ChordPro',
  tab: 'text TAB',
  csv: 'shapes as CSV',
}
const TABLE_WORDS: Readonly<Record<NotebookTable, string>> = {
  settings: 'setting',
  instruments: 'instrument',
  tunings: 'tuning',
  tunes: 'tune',
  shapes: 'shape',
  sets: 'set',
  tray: 'tray',
  sheets: 'sheet',
  materials: 'thing to practise',
  runs: 'run',
  cards: 'card',
  attempts: 'entry',
}
const NEW_WORDS: Readonly<Record<Taken, string>> = { take: 'put in', leave: 'left out', both: 'put in' }
const DIFFERENT_WORDS: Readonly<Record<Taken, string>> = {
  take: 'put in the place of what is here',
  leave: 'left as it is here',
  both: 'kept beside what is here',
}
const MOST_LEFT = 12

const thingsOf = (count: number, table: NotebookTable): string =>
  table === 'attempts' ? `${count} of the logbook` : counted(count, TABLE_WORDS[table])

export function Found({
  found,
  reader,
}: {
  readonly found: Extract<Reading, { status: 'found' }>
  readonly reader: ReadingState
}) {
  const { name, file, preview, choices } = found
  const { counts, items, cut, wrong, wrongMore } = preview
  const fresh = counts.filter((one) => one.fresh > 0)
  const same = counts.filter((one) => one.same > 0)
  const different = counts.filter((one) => one.different > 0)
  const list = (some: typeof counts, of: 'fresh' | 'same' | 'different') =>
    some.map((one) => thingsOf(one[of], one.table)).join(', ')
  return (
    <div className={classes['found']} data-testid="found">
      <h3>
        {name} <small>{KIND_WORDS[file.kind]}</small>
      </h3>
      <ul>
        <li data-testid="found-new">
          <strong>New:</strong> {fresh.length === 0 ? 'nothing' : list(fresh, 'fresh')}
          {fresh.length > 0 && (
            <>
              {', '}
              <Choice<Taken>
                label="What is new"
                value={choices.fresh}
                options={[
                  ['take', 'all put in'],
                  ['leave', 'all left out'],
                ]}
                take={(one) => reader.choose({ fresh: one, each: {} })}
                otherwise="put in"
              />
            </>
          )}
        </li>
        <li>
          <strong>The same:</strong> {same.length === 0 ? 'nothing' : list(same, 'same')}
        </li>
        <li data-testid="found-different">
          <strong>Otherwise here:</strong> {different.length === 0 ? 'nothing' : list(different, 'different')}
          {different.length > 0 && (
            <>
              {', '}
              <Choice
                label="What is otherwise here"
                value={choices.different}
                options={CHOICES.map((one) => [one, `all ${DIFFERENT_WORDS[one]}`] as const)}
                take={(one) => reader.choose({ different: one, each: {} })}
              />
            </>
          )}
        </li>
      </ul>
      {items.length > 0 && (
        <ul className={classes['items']}>
          {items.map((item) => (
            <Item
              key={`${item.table}${item.place}`}
              item={item}
              choice={
                choices.each[item.table]?.[item.place] ?? (item.state === 'new' ? choices.fresh : choices.different)
              }
              reader={reader}
            />
          ))}
        </ul>
      )}
      {cut > 0 && <p>and {counted(cut, 'row')} more, which follow the choice for all</p>}
      {(file.left.length > 0 || wrong.length > 0) && (
        <>
          <h4>Left aside, or in doubt</h4>
          <ul className={classes['left']} data-testid="found-left">
            {file.left.slice(0, MOST_LEFT).map((one, index) => (
              <li key={index}>{fileWords(one)}</li>
            ))}
            {file.left.length > MOST_LEFT && <li>and {counted(file.left.length - MOST_LEFT, 'more line')}</li>}
            {wrong.map(({ table, place, field, why }) => (
              <li key={`${table}${place}`}>
                {table} {place + 1}, {field}: {why}. It is left out.
              </li>
            ))}
            {wrongMore > 0 && <li>and {counted(wrongMore, 'row')} more</li>}
          </ul>
        </>
      )}
      <p className={classes['acts']}>
        <button type="button" data-main onClick={reader.apply}>
          Put it in
        </button>
        <button type="button" onClick={reader.stop}>
          Leave it
        </button>
      </p>
    </div>
  )
}

function Item({
  item,
  choice,
  reader,
}: {
  readonly item: PreviewItem
  readonly choice: Taken
  readonly reader: ReadingState
}) {
  const { table, place, name, state, differs } = item
  const isOne = table === 'settings' || table === 'instruments' || table === 'tunings' || table === 'tray'
  const options =
    state === 'new'
      ? (['take', 'leave'] as const).map((one) => [one, NEW_WORDS[one]] as const)
      : CHOICES.filter((one) => !isOne || one !== 'both').map((one) => [one, DIFFERENT_WORDS[one]] as const)
  return (
    <li>
      <span>{TABLE_WORDS[table]}</span> <strong>{name}</strong>{' '}
      {state === 'new' ? <em>new</em> : <em>{differs.join(', ')} otherwise</em>}{' '}
      <Choice<Taken>
        label={`What becomes of ${name}`}
        value={choice === 'both' && state === 'new' ? 'take' : choice}
        options={options}
        take={(one) => reader.chooseOne(table, place, one)}
      />
    </li>
  )
}
