/** Path: a tune as shapes in time; the ones that move least, why, and what else could be. */

import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { memo } from 'react'
import type { KeptTune } from '../../contracts/tune.ts'
import { later } from '../../controls/later.tsx'
import { Stopped } from '../../controls/Stopped.tsx'
import { useAsOf } from '../../controls/useAsOf.ts'
import { usePrinted } from '../../controls/usePrinted.ts'
import { Frame } from '../../shell/Frame.tsx'
import { PlayingSentence } from '../../shell/PlayingSentence.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { saveSoundFile, swingOf } from '../../state/playback.ts'
import { $session } from '../../state/session.ts'
import { gapReason } from '../../words/path.ts'
import { fretsWord } from '../../words/shapes.ts'
import { Acts } from './Acts.tsx'
import type { Params } from './address.ts'
import { ChosenChord } from './beside/ChosenChord.tsx'
import { InBetween } from './beside/InBetween.tsx'
import { OtherShapes } from './beside/OtherShapes.tsx'
import { OtherWays } from './beside/OtherWays.tsx'
import { type GoneTune, useGone } from './gone.ts'
import { pathKeys, sharedActs } from './keys.ts'
import { $look, OWNER } from './look.ts'
import { PartWord } from './PartWord.tsx'
import classes from './PathView.module.css'
import { partOf } from './parts.ts'
import { PathSentence } from './sentence/PathSentence.tsx'
import { scoreOf } from './toScore.ts'
import { Looks } from './tune/Looks.tsx'
import { Systems } from './tune/Systems.tsx'
import { Tune } from './tune/Tune.tsx'
import { TuneTable } from './tune/TuneTable.tsx'
import { type PathState, usePath } from './usePath.ts'
import { Weights } from './Weights.tsx'

export interface PathViewProps {
  readonly params: Params
  readonly page: PageData
  /** The tune of the Book that the address names. */
  readonly kept?: KeptTune | undefined
  /** It names one that is not there; its title where it can be brought back. */
  readonly gone?: GoneTune | undefined
}

export default function PathView(props: PathViewProps) {
  return (
    <Shell view="Path" page={props.page} fixed>
      <Bench params={props.params} kept={props.kept} gone={props.gone} />
    </Shell>
  )
}

async function saveSound({ answer, neck }: PathState): Promise<void> {
  const { settings } = $session.get()
  const { tempo } = settings
  const { played, found, plan } = answer
  const score = scoreOf(played, found.shapes, neck, plan, { ...settings, countInBars: 0 }, partOf(plan, played))
  await saveSoundFile(
    `${plan.chart.title === '' ? 'tune' : plan.chart.title} ${tempo}.wav`,
    { ...score, loop: false },
    { tempo, swing: swingOf(settings) },
  )
}

const Bench = memo(function Bench({ params, kept, gone }: Omit<PathViewProps, 'page'>) {
  const { settings } = useStore($session)
  const state = usePath(params, kept)
  useGone(gone)
  // What is drawn is of one answer: until a new one is there, all of it stays as it is.
  const shown = useAsOf(state, [state.answer, state.around, state.key])
  const { answer, chosenShape } = shown
  const { played, found, plan } = answer
  const chord = played.chords[plan.chosen]?.chord
  const gaps = found.gaps.filter(({ reason }) => reason !== 'outside')
  const symbolAt = (index: number): string => {
    const one = played.chords[index]
    return one ? writeSymbol(one.chord, { naming: settings.naming, school: settings.symbols }) : ''
  }
  return (
    <Frame
      title={plan.chart.title}
      heading="A tune as a path"
      announcement={
        chord
          ? `${symbolAt(plan.chosen)}, ${chosenShape ? fretsWord(chosenShape.frets) : 'no shape'}; the path costs ${found.total.toFixed(2)}`
          : 'no chords'
      }
      acts={sharedActs(state)}
      keys={pathKeys(state)}
    >
      <PathSentence state={shown}>
        <Acts state={state} shown={shown} />
      </PathSentence>
      <div className={classes['page']}>
        <div className={classes['main']}>
          <Stopped stop={state.stopped} what="The search for a path" keepsBefore />
          {gaps.length > 0 && (
            <p className={classes['gaps']} role="status" data-testid="gaps">
              {gaps.slice(0, 2).map(({ chord: at, reason }) => (
                <span key={at}>
                  <button type="button" onClick={() => state.choose(at)}>
                    {symbolAt(at)} in bar {(played.chords[at]?.bar ?? 0) + 1}
                  </button>{' '}
                  {gapReason(reason, plan.wishes, state.neck.lastFret)}.{' '}
                </span>
              ))}
              {gaps.length > 2 && `And ${gaps.length - 2} more.`}
            </p>
          )}
          <TuneAs state={shown} />
          <Weights state={shown} />
          {played.cut && <p className={classes['gaps']}>The tune goes on longer than is played here: it is cut.</p>}
        </div>
        <aside data-not-on-paper className={classes['side']}>
          <ChosenChord state={shown} />
          <OtherShapes state={shown} />
          <InBetween state={shown} />
          <OtherWays state={shown} />
        </aside>
      </div>
      <div className={classes['foot']}>
        <PlayingSentence
          owner={OWNER}
          loop={plan.loop}
          setLoop={(loop) => state.change({ loop })}
          part={<PartWord state={shown} />}
          ownBand
          save={() => void saveSound(state)}
        />
      </div>
    </Frame>
  )
})

/** The engraver is loaded with the first tune that is written. */
const WrittenTune = later(async () => ({ default: (await import('./tune/WrittenTune.tsx')).WrittenTune }), {
  what: 'Staff and TAB',
  meanwhile: <p role="status">Drawing staff and TAB…</p>,
})

/** The tune in time, in systems under one another, on staff and TAB, or as a table. */
function TuneAs({ state }: { readonly state: PathState }) {
  const look = useStore($look)
  // Time as a line is wider than any paper: printed are its systems.
  const printed = usePrinted()
  const as = printed && look.as === 'drawing' ? 'systems' : look.as
  if (as === 'drawing') return <Tune state={state} />
  return (
    <>
      <Looks />
      <div className={classes['long']}>
        {as === 'systems' && <Systems state={state} />}
        {as === 'table' && <TuneTable state={state} />}
        {as === 'written' && <WrittenTune state={state} />}
      </div>
    </>
  )
}
