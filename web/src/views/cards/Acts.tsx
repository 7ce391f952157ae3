import { GRADES } from '@nestling/core/practice'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { openKeys } from '../../shell/help.ts'
import { GRADE_WORDS } from '../../words/practice.ts'
import type { CardsState } from './useCards.ts'

/** The acts of a card: hear, look up; once it is answered, how it went, and the next. */
export function Acts({ state }: { readonly state: CardsState }) {
  const { status, told } = state
  const acts: readonly (readonly Act[])[] =
    status === 'asking'
      ? [
          [
            { words: 'play it', keyHint: 'H', disabled: !state.canHear, run: state.hear },
            ...(state.asked?.card.kind === 'play'
              ? [
                  {
                    words: state.ear.isListening ? 'stop listening' : 'answer by playing',
                    keyHint: 'E',
                    mark: state.ear.isListening ? ('on' as const) : undefined,
                    run: state.ear.listenOrStop,
                  },
                ]
              : []),
            { words: 'look it up', keyHint: 'S', run: state.lookUp },
          ],
        ]
      : status === 'told'
        ? [
            [{ words: 'Next', keyHint: 'Enter', isMain: true, run: state.next }],
            GRADES.map((grade, index) => ({
              words: GRADE_WORDS[grade],
              keyHint: String(index + 1),
              mark: told?.grade === grade ? ('proposed' as const) : undefined,
              run: () => state.grade(grade),
            })),
            [{ words: 'play it', keyHint: 'H', disabled: !state.canHear, run: state.hear }],
          ]
        : []
  return (
    <ActLine
      field={null}
      problem={undefined}
      acts={[
        ...acts,
        [
          { words: 'A run', href: '/practice' },
          { words: 'Logbook', href: '/logbook' },
        ],
      ]}
      openKeys={openKeys}
    />
  )
}
