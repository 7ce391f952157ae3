/** What the shape is also: its other names, each to be chosen; what it becomes over a bass; all of them in a list. */
import { Menu } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { CATALOGUE, type Chord, formulaKey, writeSymbol } from '@nestling/core/chord'
import { namesOf, namesOverBasses, type ShapeName } from '@nestling/core/name'
import { pitchClassOf, writeNote } from '@nestling/core/pitch'
import type { Frets } from '@nestling/core/voicing'
import { useMemo, useState } from 'react'
import { $session } from '../../../state/session.ts'
import { neckIn, takeName, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { hearOverBass } from '../hear.ts'
import classes from './ThisShape.module.css'

/** The more usual chord first. */
const RANKS: ReadonlyMap<string, number> = new Map(
  CATALOGUE.map(({ formula, rank, rare }) => [formulaKey(formula), rank + (rare ? 500 : 0)]),
)
const rankOf = ({ formula }: Chord): number => RANKS.get(formulaKey(formula)) ?? 999

const SHOWN = 2
const SHOWN_OVER = 2

export function Names({ state, frets }: { readonly state: WorkbenchState; readonly frets: Frets }) {
  const { settings } = useStore($session)
  const { question, player } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const names = useMemo(() => namesOf(frets, neck, { near: question.chord }), [frets, neck, question.chord])
  const symbolOf = (chord: Chord) => writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  const isNow = ({ chord }: ShapeName) =>
    pitchClassOf(chord.root) === pitchClassOf(question.chord.root) &&
    formulaKey(chord.formula) === formulaKey(question.chord.formula)
  const others = names.filter((name) => !isNow(name))
  const over = useMemo(
    () =>
      namesOverBasses(frets, neck, { near: question.chord })
        .filter(({ role, complete, derived }) => role === 'root' && complete && !derived)
        .sort((a, b) => rankOf(a.chord) - rankOf(b.chord)),
    [frets, neck, question.chord],
  )
  if (names.length === 0) return <>one tone alone has no name</>
  return (
    <>
      {others.slice(0, SHOWN).map((name) => (
        <button
          key={`${symbolOf(name.chord)}${name.role}`}
          type="button"
          className={classes['choose']}
          title={`${nameWords(name)}. Press to call it so`}
          onClick={() => takeName(name.chord, frets)}
          data-testid="name"
        >
          {symbolOf(name.chord)}
        </button>
      ))}
      {over
        .filter(({ bass }) => pitchClassOf(bass) !== pitchClassOf(question.chord.root))
        // Told once: what is a name already is not told again as what it would be.
        .filter(({ chord }) => others.slice(0, SHOWN).every((name) => symbolOf(name.chord) !== symbolOf(chord)))
        .slice(0, SHOWN_OVER)
        .map((name) => (
          <span key={name.bass} className={classes['over']}>
            <button
              type="button"
              className={classes['choose']}
              title={`${nameWords(name)}. Press to call it so`}
              onClick={() => takeName(name.chord, frets)}
              data-testid="over"
            >
              <b>{symbolOf(name.chord)}</b> over {writeNote(name.bass, settings.naming)}
            </button>
            <button
              type="button"
              className={classes['play']}
              aria-label={`Play it over ${writeNote(name.bass, settings.naming)}`}
              onClick={() => hearOverBass(pitchClassOf(name.bass))}
            >
              play
            </button>
          </span>
        ))}
      <AllNames frets={frets} names={names} over={over} isNow={isNow} symbolOf={symbolOf} />
    </>
  )
}

function AllNames({
  frets,
  names,
  over,
  isNow,
  symbolOf,
}: {
  readonly frets: Frets
  readonly names: readonly ShapeName[]
  readonly over: readonly ShapeName[]
  readonly isNow: (name: ShapeName) => boolean
  readonly symbolOf: (chord: Chord) => string
}) {
  const { settings } = useStore($session)
  const [opened, setOpened] = useState(false)
  return (
    <Menu opened={opened} onChange={setOpened} position="top-start">
      <Menu.Target>
        <button type="button" className={classes['choose']} aria-label={`All ${names.length} names`}>
          all {names.length}…
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        {opened && (
          <>
            <Menu.Label>Names: press one to call it so</Menu.Label>
            {names.map((name) => (
              <Menu.Item
                key={`${symbolOf(name.chord)}${name.omitted.join()}${name.role}`}
                onClick={() => takeName(name.chord, frets)}
                aria-current={isNow(name) || undefined}
                fw={isNow(name) ? 700 : 400}
                rightSection={<small>{nameWords(name)}</small>}
              >
                {symbolOf(name.chord)}
              </Menu.Item>
            ))}
            <Menu.Label>Over a bass of its own: press one to call it so</Menu.Label>
            {over.map((name) => (
              <Menu.Item
                key={name.bass}
                onClick={() => takeName(name.chord, frets)}
                rightSection={<small>{nameWords(name)}</small>}
              >
                {symbolOf(name.chord)} over {writeNote(name.bass, settings.naming)}
              </Menu.Item>
            ))}
          </>
        )}
      </Menu.Dropdown>
    </Menu>
  )
}

export function nameWords(name: ShapeName): string {
  const where = {
    root: 'root in the bass',
    inversion:
      name.inversion === null ? '' : `${degreeName(name.degrees.find((degree) => degree !== null) ?? 'R')} in the bass`,
    foreign: 'over a bass of its own',
    rootless: 'the root left to somebody else',
  }[name.role]
  const missing = name.omitted.filter((degree) => degree !== 'R').map(degreeSign)
  const symmetric = name.chord.formula.includes('bb7') ? ' · ♭♭7 sounds like 6' : ''
  return `${where}${missing.length > 0 ? ` · without ${missing.join(' ')}` : ''}${name.derived ? ' · counted from its lowest tone' : ''}${symmetric}`
}
