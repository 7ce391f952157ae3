/** Nothing found is never the end: what would be found, and how many. */
import { useStore } from '@nanostores/react'
import { $waysOut, neckIn, takeQuestion, type WorkbenchState } from '../../../state/workbench/index.ts'
import { nothingFoundWords } from '../../../words/found.ts'
import { stringsApart } from '../../../words/shapes.ts'
import classes from './Found.module.css'

const GIVE_UP = {
  reach: () => 'with a longer stretch',
  strings: (strings: string) => `on ${strings}`,
  arrangement: () => 'in any arrangement',
  bass: () => 'with any tone in the bass and on top',
  omit: () => 'leaving out other tones',
} as const

export function WaysOut({ state, where }: { readonly state: WorkbenchState; readonly where: string }) {
  const ways = useStore($waysOut)
  const { question, player } = state
  const strings = neckIn({ question, player }).open.length
  const beyond = state.search.status === 'found' ? state.search.result.count : 0
  return (
    <div className={classes['empty']} data-testid="ways-out">
      <p>{nothingFoundWords(question, where, beyond)}.</p>
      {ways === undefined ? (
        <p>Looking for a way out…</p>
      ) : ways.length === 0 ? (
        <p>No single change helps. Give up two wishes at once: any strings and any arrangement, or double a tone.</p>
      ) : (
        <ul>
          {ways.slice(0, 6).map((way) => (
            <li key={`${way.giveUp}${way.question.strings?.join()}`}>
              <button type="button" className={classes['link']} onClick={() => takeQuestion(way.question)}>
                {way.playable}{' '}
                {GIVE_UP[way.giveUp](way.question.strings ? stringsApart(way.question.strings, strings) : '')}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
