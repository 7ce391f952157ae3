/** The same shape in other places: other string sets, other strings for the same pitches, the next inversions. */

import { writeSymbol } from '@nestling/core/chord'
import { usualStringSets } from '@nestling/core/request'
import { carry, relocate, rotate, type Voicing } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
import { neckIn, voicingInHand, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeName } from '../../../words/degrees.ts'
import { fretsWord, stringsApart } from '../../../words/shapes.ts'
import classes from './Around.module.css'
import { Candidate } from './Candidate.tsx'

export function Elsewhere({ state }: { readonly state: WorkbenchState }) {
  const { question, player, frets } = state
  const places = useMemo(() => {
    const neck = neckIn({ question, player })
    const voicing = voicingInHand({ question, player, frets })
    if (!voicing) return undefined
    const reachLimitMm = player.hand.stretchMm
    const used = voicing.frets.flatMap((fret, string) => (fret === null ? [] : [string]))
    const sets = usualStringSets(neck.open.length, used.length).filter(
      (set) => set.length === used.length && set.join() !== used.join(),
    )
    return {
      up: rotate(voicing, neck, 1),
      down: rotate(voicing, neck, -1),
      carried: sets.flatMap((set) => carry(voicing, set, neck, reachLimitMm).slice(0, 2)),
      relocated: relocate(voicing, neck, { reachLimitMm, open: false }),
    }
  }, [question, player, frets])
  if (!places) return <p className={classes['aside']}>Take a shape of the chord to see where else it lies.</p>
  const { up, down, carried, relocated } = places
  return (
    <>
      <Group
        title="Next inversions"
        voicings={[down, up].filter((one) => one !== undefined)}
        words={(one) => `${degreeName(one.arrangement.degrees[0] ?? 'R')} in the bass`}
        none="The neck ends here."
      />
      <Group
        title="The same arrangement on other strings"
        voicings={carried}
        words={(one) =>
          `on ${stringsApart(
            one.frets.flatMap((fret, string) => (fret === null ? [] : [string])),
            one.frets.length,
          )}`
        }
        none="No other string set holds it within your reach."
      />
      <Group
        title="The very same pitches on other strings"
        voicings={relocated}
        words={() => 'same sound'}
        none="These pitches lie within reach on these strings only."
      />
    </>
  )
}

function Group({
  title,
  voicings,
  words,
  none,
}: {
  readonly title: string
  readonly voicings: readonly Voicing[]
  readonly words: (voicing: Voicing) => string
  readonly none: string
}) {
  return (
    <>
      <h3 className={classes['title']}>{title}</h3>
      {voicings.length === 0 && <p className={classes['aside']}>{none}</p>}
      <ul className={classes['list']}>
        {voicings.map((voicing) => (
          <li key={fretsWord(voicing.frets)}>
            <Candidate
              voicing={voicing}
              label={`${writeSymbol(voicing.chord)} ${words(voicing)}, ${fretsWord(voicing.frets)}`}
            >
              <SmallNeck frets={voicing.frets} degrees={voicing.degrees} width={120} />
              <span>
                <strong>{fretsWord(voicing.frets)}</strong>
                <br />
                {words(voicing)}
              </span>
              <i />
            </Candidate>
          </li>
        ))}
      </ul>
    </>
  )
}
