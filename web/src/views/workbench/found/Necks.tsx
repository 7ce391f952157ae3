/** The shapes found as small necks in one row that scrolls; thousands of them scroll smoothly. */
import { handVerdict } from '@nestling/core/hand'
import { withSigns } from '@nestling/core/pitch'
import { voicingReader } from '@nestling/core/voicing'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useMemo } from 'react'
import { useOneStop } from '../../../controls/useOneStop.ts'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
import { neckIn, takeShape, type WorkbenchState } from '../../../state/workbench/index.ts'
import { verdictWords } from '../../../words/hand.ts'
import { fretsWord } from '../../../words/shapes.ts'
import classes from './Found.module.css'
import type { FoundShape } from './shapes.ts'

const WIDTH = 164

export function Necks({ shapes, state }: { readonly shapes: readonly FoundShape[]; readonly state: WorkbenchState }) {
  const stop = useOneStop<HTMLDivElement>()
  const { question, player, frets } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const virtual = useVirtualizer({
    horizontal: true,
    count: shapes.length,
    getScrollElement: () => stop.ref.current,
    estimateSize: () => WIDTH,
    overscan: 3,
    initialRect: { width: 1232, height: 110 },
  })
  const read = useMemo(() => voicingReader(question.chord, neck), [question, neck])
  const inHand = frets && fretsWord(frets)
  return (
    <div className={classes['necks']} role="group" aria-label="Shapes as small necks" {...stop}>
      <div style={{ width: virtual.getTotalSize(), position: 'relative', height: '100%' }}>
        {virtual.getVirtualItems().map((item) => {
          const shape = shapes[item.index]
          if (!shape) return null
          const voicing = read(shape.frets)
          const word = fretsWord(shape.frets)
          const refusal = shape.playable
            ? undefined
            : verdictWords(handVerdict(shape.frets, neck, player.hand, undefined, { thumb: player.thumb }))
          return (
            <button
              key={item.index}
              type="button"
              className={classes['small']}
              style={{ transform: `translateX(${item.start}px)` }}
              aria-pressed={word === inHand}
              onClick={() => takeShape(shape.frets)}
              data-testid="shape-row"
              data-frets={word}
            >
              <SmallNeck
                frets={shape.frets}
                degrees={voicing?.degrees ?? shape.frets.map((fret) => (fret === null ? null : 'R'))}
              />
              <span>
                <strong>{word}</strong> {voicing?.arrangement.degrees.map(withSigns).join(' ')}
                {refusal !== undefined && ` · ${refusal}`}
              </span>
            </button>
          )
        })}
      </div>
    </div>
  )
}
