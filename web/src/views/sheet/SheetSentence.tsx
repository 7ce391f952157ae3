/** The sentence of a sheet: what it is called and how its pages look. */
import { INKS, NECK_WAYS, PAPERS, SHEET_LABELS, type Sheet } from '@nestling/core/sheet'
import { type ReactNode, useState } from 'react'
import { Choice } from '../../controls/Choice.tsx'
import { NameField } from '../../controls/NameField.tsx'
import sentence from '../../controls/sentence.module.css'
import classes from './SheetView.module.css'
import type { SheetState } from './useSheet.ts'

const BARS = [1, 2, 3, 4, 5, 6, 7, 8].map(
  (count) =>
    [
      count,
      count === 1 ? 'one bar' : `${['two', 'three', 'four', 'five', 'six', 'seven', 'eight'][count - 2]} bars`,
    ] as const,
)
export const INK_WORDS: Readonly<Record<Sheet['ink'], string>> = {
  colour: 'ink and colour',
  grey: 'greys',
  black: 'black only',
}
const LABEL_WORDS: Readonly<Record<Sheet['labels'], string>> = {
  none: 'fillings only',
  degree: 'degrees',
  note: 'notes',
  finger: 'fingers',
}

export function SheetSentence({ state, children }: { readonly state: SheetState; readonly children: ReactNode }) {
  const { sheet, change } = state
  const [isNaming, setNaming] = useState(false)
  return (
    <section aria-label="The sheet" className={classes['question']}>
      <p className={sentence['sentence']}>
        <strong className={sentence['chord']}>Sheet</strong>
        {' of '}
        {isNaming ? (
          <span className={classes['name']}>
            <NameField
              label="Name of the sheet"
              name={sheet.title}
              width={260}
              done={(title) => {
                setNaming(false)
                if (title !== undefined) change({ title })
              }}
            />
          </span>
        ) : (
          <button
            type="button"
            className={sentence['word']}
            aria-label={`Name of the sheet: ${sheet.title}`}
            onClick={() => setNaming(true)}
          >
            {sheet.title}
          </button>
        )}
        {' on '}
        <Choice
          label="Paper"
          value={sheet.paper}
          options={PAPERS.map((paper) => [paper, paper])}
          take={(paper) => change({ paper })}
        />
        {', '}
        <Choice
          label="How the page lies"
          value={sheet.lying}
          options={[
            [false, 'upright'],
            [true, 'lying'],
          ]}
          take={(lying) => change({ lying })}
        />
        {', '}
        <Choice
          label="Bars in a line"
          value={sheet.barsALine}
          options={BARS}
          take={(barsALine) => change({ barsALine })}
        />
        {' a line, necks '}
        <Choice
          label="Necks"
          value={sheet.necks}
          options={NECK_WAYS.map((way) => [way, way])}
          take={(necks) => change({ necks })}
        />
        {' with '}
        <Choice
          label="In the eggs"
          value={sheet.labels}
          options={SHEET_LABELS.map((labels) => [labels, LABEL_WORDS[labels]])}
          take={(labels) => change({ labels })}
        />
        {', in '}
        <Choice
          label="Ink"
          value={sheet.ink}
          options={INKS.map((ink) => [ink, INK_WORDS[ink]])}
          take={(ink) => change({ ink })}
        />
      </p>
      {children}
    </section>
  )
}
