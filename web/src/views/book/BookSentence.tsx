/** The sentence of the Book: what is looked at, in which order, for which instrument; and the field that searches it. */
import { useStore } from '@nanostores/react'
import { Choice } from '../../controls/Choice.tsx'
import { leaveField } from '../../controls/leaving.ts'
import { Rest } from '../../controls/Rest.tsx'
import sentence from '../../controls/sentence.module.css'
import { $session } from '../../state/session.ts'
import classes from './BookView.module.css'
import type { BookPlan } from './types.ts'
import type { BookState } from './useBook.ts'

export const FIND_ID = 'book-find'

export function BookSentence({ state }: { readonly state: BookState }) {
  const { instruments } = useStore($session)
  const { plan, contents, change } = state
  return (
    <section aria-label="The Book" className={classes['question']}>
      <p className={sentence['sentence']}>
        <strong className={sentence['chord']}>The Book</strong>
        {' of '}
        <Choice
          label="Tag"
          value={plan.tag}
          options={[[undefined, 'all that is kept'], ...contents.tags.map(({ tag }) => [tag, tag] as const)]}
          take={(tag) => change({ tag, part: 'shapes' })}
          otherwise={plan.tag ?? ''}
        />
        {', '}
        <Choice<BookPlan['by']>
          label="Order"
          value={plan.by}
          options={[
            ['tune', 'by tune'],
            ['chord', 'by chord'],
            ['newest', 'newest first'],
            ['name', 'by name'],
          ]}
          take={(by) => change({ by, part: 'shapes' })}
        />
        {', for '}
        <Choice
          label="Instrument"
          value={plan.instrument}
          options={[
            [undefined, 'every instrument'],
            ...instruments.map(({ id, name }) => [id, `the ${name}`] as const),
          ]}
          take={(instrument) => change({ instrument, part: 'shapes' })}
          otherwise="an instrument that is gone"
        />
      </p>
      <label className={classes['find']}>
        <kbd>/</kbd>
        <span className="heard-only">Find</span>
        <input
          id={FIND_ID}
          className="plain-field"
          value={plan.find}
          maxLength={120}
          onChange={(event) => change({ find: event.currentTarget.value, part: 'shapes' })}
          onKeyDown={(event) => {
            if (event.key === 'Enter') leaveField(event.currentTarget)
            if (event.key === 'Escape') {
              change({ find: '' })
              leaveField(event.currentTarget)
            }
          }}
          placeholder="a name, a chord, a shape, a word"
          spellCheck={false}
        />
        <Rest />
      </label>
    </section>
  )
}
