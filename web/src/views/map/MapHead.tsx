/** The chord, its arrangement, the change that is looked at, and the filters. */
import { Button, Chip, NativeSelect, Switch } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { type Chord, writeSymbol } from '@nestling/core/chord'
import type { MapChange } from '@nestling/core/map'
import { EXTENSIONS } from '@nestling/core/near'
import { tuningLetters } from '@nestling/core/neck'
import { instrumentFor } from '@nestling/core/request'
import { ARRANGEMENT_NAMES } from '@nestling/core/voicing'
import { memo, type ReactNode, useDeferredValue } from 'react'
import { $session } from '../../state/session.ts'
import { degreeSign } from '../../words/degrees.ts'
import { arrangementWords, stringsApart } from '../../words/shapes.ts'
import classes from './MapView.module.css'
import { SEVENTH_MORPHS, TRIAD_MORPHS } from './morphs.ts'
import type { MapState, ShownSets } from './useMap.ts'

const FRET_RANGES = [
  { value: '1-15', label: 'frets 1 to 15' },
  { value: '1-5', label: 'frets 1 to 5' },
  { value: '3-8', label: 'frets 3 to 8' },
  { value: '7-12', label: 'frets 7 to 12' },
  { value: '10-17', label: 'frets 10 to 17' },
] as const

const SPANS = [
  { value: '', label: 'within my reach' },
  { value: '2', label: 'span of 3 frets' },
  { value: '3', label: 'span of 4 frets' },
  { value: '7', label: 'any stretch' },
] as const

export function MapHead({ state, children }: { readonly state: MapState; readonly children: ReactNode }) {
  // Many chips: they follow a chord that is typed when there is time.
  const chord = useDeferredValue(state.question.chord)
  const chips = { chord, change: state.change, setChange: state.setChange }
  return (
    <section aria-label="What is mapped" className={classes['head']}>
      <Asked state={state} />
      {children}
      <Morphs {...chips} />
      <Extensions {...chips} />
    </section>
  )
}

function Asked({ state }: { readonly state: MapState }) {
  const { settings } = useStore($session)
  const { question } = state
  const arrangements = ARRANGEMENT_NAMES.filter((name) =>
    question.chord.formula.length === 3 ? name === 'close' || name === 'spread' : true,
  )
  const range = `${question.fretMin}-${question.fretMax}`
  return (
    <div className={classes['row']}>
      <strong className={classes['symbol']} data-testid="map-symbol">
        {writeSymbol(question.chord, { naming: settings.naming, school: settings.symbols })}
      </strong>
      <span className={classes['printed']}>
        {question.arrangement.kind === 'named' ? arrangementWords(question.arrangement) : 'any arrangement'}, frets{' '}
        {range}, {tuningLetters(instrumentFor(question, state.player).tuning, settings.naming)}
      </span>
      <NativeSelect
        size="sm"
        aria-label="Arrangement"
        value={question.arrangement.kind === 'named' ? question.arrangement.name : 'any'}
        onChange={(event) => {
          const name = ARRANGEMENT_NAMES.find((one) => one === event.currentTarget.value)
          state.choose({ arrangement: name ? { kind: 'named', name } : { kind: 'any' } })
        }}
        data={[
          { value: 'any', label: 'any arrangement' },
          ...arrangements.map((name) => ({ value: name, label: arrangementWords({ kind: 'named', name }) })),
        ]}
      />
      <NativeSelect
        size="sm"
        aria-label="Frets"
        value={range}
        onChange={(event) => {
          const [fretMin, fretMax] = event.currentTarget.value.split('-').map(Number)
          state.choose({ fretMin: fretMin ?? 1, fretMax: fretMax ?? 15 })
        }}
        data={
          FRET_RANGES.some(({ value }) => value === range)
            ? [...FRET_RANGES]
            : [{ value: range, label: `frets ${range}` }, ...FRET_RANGES]
        }
      />
      <NativeSelect
        size="sm"
        aria-label="Reach"
        value={question.span === undefined ? '' : String(question.span)}
        onChange={(event) =>
          state.choose({ span: event.currentTarget.value === '' ? undefined : Number(event.currentTarget.value) })
        }
        data={[...SPANS]}
      />
      <NativeSelect
        size="sm"
        aria-label="String sets"
        value={state.sets}
        onChange={(event) => state.setSets(event.currentTarget.value as ShownSets)}
        data={[
          { value: 'all', label: 'all string sets' },
          { value: 'neighbouring', label: 'neighbouring strings' },
          ...(state.search.status === 'found' ? state.search.found.map.rows : []).map(({ strings }) => ({
            value: strings.join(),
            label: `strings ${stringsApart(strings, instrumentFor(question, state.player).tuning.strings.length)}`,
          })),
        ]}
      />
      <Switch
        label="landmarks"
        checked={state.landmarks}
        onChange={(event) => state.setLandmarks(event.currentTarget.checked)}
      />
    </div>
  )
}

interface ChipsProps {
  readonly chord: Chord
  readonly change: MapChange
  readonly setChange: (change: MapChange) => void
}

const Morphs = memo(function Morphs({ chord: { root, formula }, change, setChange }: ChipsProps) {
  const { settings } = useStore($session)
  const style = { naming: settings.naming, school: settings.symbols }
  const morphs = formula.length === 3 ? TRIAD_MORPHS : formula.length === 4 ? SEVENTH_MORPHS : []
  if (morphs.length === 0) return null
  return (
    <div className={classes['row']}>
      <span className={classes['aside']}>morph into</span>
      <Chip.Group
        value={change.kind === 'morph' ? change.formula.join() : change.kind === 'none' ? formula.join() : ''}
        onChange={(value) => {
          const found = morphs.find((morph) => morph.formula.join() === value)
          setChange(
            found === undefined || value === formula.join()
              ? { kind: 'none' }
              : { kind: 'morph', formula: found.formula },
          )
        }}
      >
        {morphs.map((morph) => (
          <Chip key={morph.suffix} size="xs" value={morph.formula.join()}>
            {writeSymbol({ root, formula: morph.formula }, style)}
          </Chip>
        ))}
      </Chip.Group>
    </div>
  )
})

const Extensions = memo(function Extensions({ chord, change, setChange }: ChipsProps) {
  const { settings } = useStore($session)
  const { formula } = chord
  return (
    <div className={classes['row']}>
      <span className={classes['aside']}>add</span>
      <Chip.Group
        value={change.kind === 'extend' ? change.extension : ''}
        onChange={(value) => {
          const extension = EXTENSIONS.find((one) => one === value)
          if (extension)
            setChange({
              kind: 'extend',
              extension,
              way: change.kind === 'extend' ? change.way : formula.length > 3 ? 'root-moves' : 'fifth-gives-way',
            })
        }}
      >
        {EXTENSIONS.filter((extension) => !formula.includes(extension)).map((extension) => (
          <Chip key={extension} size="xs" value={extension}>
            {degreeSign(extension)}
          </Chip>
        ))}
      </Chip.Group>
      {change.kind === 'extend' && (
        <NativeSelect
          size="xs"
          aria-label="How it joins"
          value={change.way}
          onChange={(event) => setChange({ ...change, way: event.currentTarget.value as typeof change.way })}
          data={[
            { value: 'root-moves', label: 'the root moves to it' },
            { value: 'fifth-gives-way', label: 'the root stays, the fifth gives way' },
          ]}
        />
      )}
      {change.kind !== 'none' && (
        <Button size="compact-xs" variant="default" onClick={() => setChange({ kind: 'none' })}>
          back to {writeSymbol(chord, { naming: settings.naming, school: settings.symbols })}
        </Button>
      )}
    </div>
  )
})
