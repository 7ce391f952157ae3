/** The open shape: under the hand; note, tags; rename, move, delete; then what it lies in, how it went, where it leads, its other names. */
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { handOn, reachMm } from '@nestling/core/hand'
import { tuningLetters, writeTuning } from '@nestling/core/neck'
import { useState } from 'react'
import { addressOfTune } from '../../../contracts/tuneAddresses.ts'
import { Choice } from '../../../controls/Choice.tsx'
import { NameField } from '../../../controls/NameField.tsx'
import { useDraft } from '../../../controls/useDraft.ts'
import { HandNeck } from '../../../neck/HandNeck.tsx'
import { useEggLabels } from '../../../shell/useEggLabels.ts'
import { $player, $session } from '../../../state/session.ts'
import { longDay } from '../../../words/days.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { counted } from '../../../words/shapes.ts'
import { TASTE_WORDS } from '../../../words/taste.ts'
import { windowOf } from '../list/window.ts'
import type { BookState } from '../useBook.ts'
import type { OpenShape } from '../useOpen.ts'
import classes from './Beside.module.css'

export function Beside({ state, open }: { readonly state: BookState; readonly open: OpenShape }) {
  const { kept, shape, neck, voicing, symbol } = open
  const { settings, instrument } = useStore($session)
  const player = useStore($player)
  const labelOf = useEggLabels(shape?.chord.root)
  const [isNaming, setNaming] = useState(false)
  const draft = useDraft(`name-${kept?.id ?? 'none'}`)
  const named = () => {
    draft[1](undefined)
    setNaming(false)
  }
  if (!kept) return <p className={classes['none']}>A shape that is opened stands here, with its history.</p>
  const fingering =
    shape && neck ? handOn(neck, player.hand, { thumb: player.thumb }).bestFingering(shape.frets) : undefined
  const window = windowOf([kept.frets]) ?? { from: 1, to: 12 }
  const tune = state.contents.tunes.find(({ id }) => id === kept.tune)
  const isOther = shape !== undefined && writeTuning(shape.tuning) !== writeTuning(instrument.tuning)
  return (
    <section className={classes['beside']} data-testid="open-shape">
      <h2>
        <span>{symbol}</span> <small>{kept.frets}</small>
      </h2>
      {isNaming || draft[0] !== undefined ? (
        <NameField
          label="Name"
          name={kept.name}
          draft={draft}
          done={async (name) => {
            // What could not be kept stays in its field.
            if (name === undefined || (await state.edit(kept, { name }, `Renamed: ${kept.name} is now ${name}`)))
              named()
          }}
        />
      ) : (
        <p className={classes['where']}>
          {[tune?.title, kept.name, voicing?.arrangement.degrees.map(degreeSign).join(' ')].filter(Boolean).join(', ')}
          {shape && neck && ` · ${Math.round(reachMm(neck, shape.frets))} mm`}
          {isOther && shape && ` · ${tuningLetters(shape.tuning, settings.naming)}`}
        </p>
      )}
      {shape && (
        <HandNeck
          frets={shape.frets}
          degrees={voicing?.degrees ?? []}
          fingering={fingering}
          from={window.from}
          to={window.to}
          lowOnTop={settings.lowOnTop}
          leftHanded={instrument.handed === 'left'}
          labelOf={labelOf}
        />
      )}
      <Note
        key={kept.id}
        id={kept.id}
        note={kept.note}
        keep={(note) => state.edit(kept, { note }, 'The note was changed')}
      />
      <Tags
        key={`tags-${kept.id}`}
        tags={kept.tags}
        known={state.contents.tags.map(({ tag }) => tag)}
        keep={(tags) => void state.edit(kept, { tags }, 'The tags were changed')}
      />
      <p className={classes['quiet']}>
        <button type="button" aria-label={`Rename ${kept.name}`} onClick={() => setNaming(true)}>
          rename
        </button>
        <Choice
          label="Tune that it stands under"
          value={kept.tune}
          options={[[null, 'in no tune'], ...state.contents.tunes.map(({ id, title }) => [id, title] as const)]}
          take={(to) =>
            void state.edit(kept, { tune: to }, to === null ? 'Taken out of its tune' : 'Moved to another tune')
          }
          otherwise="in no tune"
        />
        <button type="button" data-danger aria-label={`Delete ${kept.name}`} onClick={() => state.remove(kept)}>
          delete
        </button>
      </p>
      {/* Last: it comes when it is looked up, and must not move what is pressed. */}
      <History open={open} />
    </section>
  )
}

/** When it was kept, where it lies in tunes, how it was played, where it leads, what else it is called. */
function History({ open: { kept, history, otherNames, easier } }: { readonly open: OpenShape }) {
  const { settings } = useStore($session)
  const symbol = (text: string) => {
    const read = readSymbol(text)
    return read.ok ? writeSymbol(read.value, { naming: settings.naming, school: settings.symbols }) : text
  }
  const [first] = history?.tunes ?? []
  const { played } = history ?? {}
  return (
    <dl className={classes['facts']}>
      <dt>kept</dt>
      <dd>{kept && longDay(kept.createdAt.slice(0, 10))}</dd>
      <dt>lies in</dt>
      <dd>
        {history === undefined
          ? '…'
          : history.tunes.length === 0
            ? 'no tune of the Book'
            : history.tunes.slice(0, 3).map(({ id, title, bars }, index) => (
                <span key={id}>
                  {index > 0 && '; '}
                  <a href={addressOfTune(id)}>{title}</a>, {bars.length === 1 ? 'bar' : 'bars'}{' '}
                  {bars.slice(0, 4).join(', ')}
                  {bars.length > 4 && ' …'}
                </span>
              ))}
        {history && history.tunes.length > 3 && ` and ${counted(history.tunes.length - 3, 'tune')} more`}
      </dd>
      <dt>played</dt>
      <dd>
        {played === undefined
          ? '…'
          : played.times === 0
            ? 'not in the logbook yet'
            : `${counted(played.times, 'time')}${played.clean === null ? '' : `, clean at ${played.clean}`}${played.last === null ? '' : `, last on ${longDay(played.last)}`}`}
      </dd>
      {first?.leadsTo && (
        <>
          <dt>leads to</dt>
          <dd>
            <strong>{symbol(first.leadsTo.symbol)}</strong> {first.leadsTo.frets} in {first.title}
          </dd>
        </>
      )}
      {otherNames.length > 0 && (
        <>
          <dt>also</dt>
          <dd>{otherNames.join(' · ')}</dd>
        </>
      )}
      {easier && (
        <>
          <dt>easier</dt>
          <dd>
            <a href={easier.href}>{easier.frets}</a>: here {TASTE_WORDS[easier.because]}
          </dd>
        </>
      )}
      {history && history.same.length > 0 && (
        <>
          <dt>the same</dt>
          <dd>
            {history.same.map(({ id, name }, index) => (
              <span key={id}>
                {index > 0 && ', '}
                <a href={`/book?shape=${id}`}>{name}</a>
              </span>
            ))}
          </dd>
        </>
      )}
    </dl>
  )
}

function Note({
  id,
  note,
  keep,
}: {
  readonly id: number
  readonly note: string
  readonly keep: (note: string) => Promise<boolean>
}) {
  const [text, setText] = useDraft(`note-${id}`)
  const [isAsked, setAsked] = useState(false)
  if (text === undefined)
    return (
      <button
        type="button"
        className={note === '' ? classes['addNote'] : classes['note']}
        aria-label={note === '' ? 'Write a note' : `Note: ${note}`}
        onClick={() => {
          setAsked(true)
          setText(note)
        }}
      >
        {note === '' ? 'write a note' : note}
      </button>
    )
  // What could not be kept stays in its field.
  const finish = async () => {
    if (text === note || (await keep(text))) setText(undefined)
  }
  return (
    <textarea
      aria-label="Note"
      className={classes['writing']}
      value={text}
      maxLength={500}
      // biome-ignore lint/a11y/noAutofocus: it was just asked for
      autoFocus={isAsked}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={() => void finish()}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setText(undefined)
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void finish()
      }}
    />
  )
}

function Tags({
  tags,
  known,
  keep,
}: {
  readonly tags: readonly string[]
  readonly known: readonly string[]
  readonly keep: (tags: string[]) => void
}) {
  const [text, setText] = useState('')
  const add = () => {
    const tag = text.trim().replace(/[;,]/g, ' ').slice(0, 30)
    setText('')
    if (tag !== '' && !tags.includes(tag)) keep([...tags, tag])
  }
  return (
    <p className={classes['tags']}>
      {tags.map((tag) => (
        <button
          key={tag}
          type="button"
          aria-label={`Remove the tag ${tag}`}
          title="remove it"
          onClick={() => keep(tags.filter((one) => one !== tag))}
        >
          {tag} ×
        </button>
      ))}
      <input
        className="plain-field"
        aria-label="A tag"
        placeholder="a tag"
        list="book-tags"
        value={text}
        maxLength={30}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') add()
        }}
        onBlur={add}
      />
      <datalist id="book-tags">
        {known
          .filter((tag) => !tags.includes(tag))
          .map((tag) => (
            <option key={tag} value={tag} />
          ))}
      </datalist>
    </p>
  )
}
