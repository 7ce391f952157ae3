/** The shape in hand, string by string, and what to do with it. */
import { Button, Group } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { reachMm, reachVerdict } from '@nestling/core/hand'
import { neckOf } from '@nestling/core/neck'
import { writeNote } from '@nestling/core/pitch'
import { writeShape } from '@nestling/core/voicing'
import { degreeName } from '../../../neck/tone.ts'
import { IconBookmark, IconPlayerPlay } from '../../../shell/icons.ts'
import type { BuildState } from '../../../state/build.ts'
import { $session } from '../../../state/session.ts'
import { arrangementWords } from '../line/choices.ts'
import { keepInHand, playInHand } from '../useBuild.ts'
import classes from './ThisShape.module.css'
import { useShapeInHand } from './useShapeInHand.ts'
import { inversionWords, silentWords } from './words.ts'

export function ThisShape({ state }: { readonly state: BuildState }) {
  const { settings } = useStore($session)
  const { voicing, fingering, silent } = useShapeInHand(state)
  if (!voicing)
    return (
      <section aria-label="This shape">
        <h2 className={classes['head']}>This shape</h2>
        <p className={classes['aside']}>Nothing in hand yet. Type a chord, or take a shape from the list.</p>
      </section>
    )
  const neck = neckOf(state.setting.instrument)
  const mm = reachMm(neck, voicing.frets)
  const count = voicing.frets.length
  const { arrangement, inversion } = voicing
  const sounding = voicing.frets.flatMap((fret, index) => (fret === null ? [] : [index])).reverse()
  return (
    <section aria-label="This shape">
      <h2 className={classes['head']}>
        This shape
        <span data-testid="shape-text">
          {writeShape(voicing.frets)} · {Math.round(mm)} mm, {reachVerdict(state.setting.hand, mm)}
        </span>
      </h2>
      <div className={classes['columns']}>
        <table className={classes['strings']}>
          <thead>
            <tr>
              <th scope="col">string</th>
              <th scope="col">fret</th>
              <th scope="col">note</th>
              <th scope="col">degree</th>
              <th scope="col">finger</th>
            </tr>
          </thead>
          <tbody>
            {sounding.map((index) => {
              const degree = voicing.degrees[index]
              const note = voicing.notes[index]
              return (
                <tr key={index}>
                  <td>{count - index}</td>
                  <td>{voicing.frets[index] === 0 ? 'open' : voicing.frets[index]}</td>
                  <td>{note && writeNote(note, settings.naming)}</td>
                  <td>{degree && degreeName(degree)}</td>
                  <td>{fingering?.fingers[index] ?? '–'}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
        <div>
          <p className={classes['fact']}>
            <strong>
              {arrangement.name === 'list' ? '' : `${arrangementWords({ kind: 'named', name: arrangement.name })} · `}
              {arrangementWords({ kind: 'list', degrees: arrangement.degrees })}
            </strong>
            {inversionWords(inversion)}
          </p>
          <p className={classes['aside']}>{silentWords(silent, count)}</p>
          {!fingering && <p className={classes['aside']}>Four fingers can't hold it within this hand's limits.</p>}
          <Group gap="xs" mt="sm">
            <Button
              size="compact-md"
              variant="default"
              leftSection={<IconPlayerPlay size={16} aria-hidden />}
              onClick={() => playInHand('strum')}
            >
              Hear it
            </Button>
            <Button size="compact-md" variant="default" onClick={() => playInHand('arpeggio')}>
              One by one
            </Button>
            <Button
              size="compact-md"
              leftSection={<IconBookmark size={16} aria-hidden />}
              onClick={() => void keepInHand()}
            >
              Keep in Book
            </Button>
          </Group>
        </div>
      </div>
    </section>
  )
}
