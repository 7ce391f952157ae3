/** Which part of the tune is played, as a word of the playing sentence. */
import type { Span } from '@nestling/core/chart'
import { memo } from 'react'
import { Choice } from '../../controls/Choice.tsx'
import { partOf, tuneParts } from './parts.ts'
import type { PathState } from './usePath.ts'

const spanName = (span: Span | undefined): string => (span ? `${span.from}-${span.to}` : '')
const barsWords = ({ from, to }: Span): string => (from === to ? `bar ${from + 1}` : `bars ${from + 1} to ${to + 1}`)

export const PartWord = memo(function PartWord({ state }: { readonly state: PathState }) {
  const { plan, played } = state.answer
  const now = partOf(plan, played)
  const parts = tuneParts(plan, played)
  if (parts.length === 0 && !now) return null
  return (
    <>
      {', '}
      <Choice
        label="Part"
        value={spanName(now)}
        options={[
          ['', 'all of it'],
          ...parts.map(({ name, span }): readonly [string, string] => [
            spanName(span),
            name === undefined ? barsWords(span) : `${name}, ${barsWords(span)}`,
          ]),
        ]}
        take={(value) => state.change({ part: parts.find(({ span }) => spanName(span) === value)?.span })}
        otherwise={now ? barsWords(now) : 'all of it'}
      />
    </>
  )
})
