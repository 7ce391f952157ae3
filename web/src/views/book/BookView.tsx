import type { KeptSet } from '../../contracts/progression.ts'
import type { KeptShape } from '../../contracts/shape.ts'
import type { KeptTune } from '../../contracts/tune.ts'
import { Frame } from '../../shell/Frame.tsx'
import type { SharedActs } from '../../shell/keyTable.ts'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { counted } from '../../words/shapes.ts'
import classes from './BookView.module.css'
import { KeptShapeCard } from './KeptShapeCard.tsx'
import { SetCard } from './SetCard.tsx'
import { TuneCard } from './TuneCard.tsx'
import { useBook } from './useBook.ts'
import { useSets } from './useSets.ts'
import { useTunes } from './useTunes.ts'

export interface BookViewProps {
  readonly shapes: readonly KeptShape[]
  readonly total: number
  readonly sets: readonly KeptSet[]
  readonly setTotal: number
  readonly tunes: readonly KeptTune[]
  readonly tuneTotal: number
  readonly page: PageData
}

export default function BookView(props: BookViewProps) {
  return (
    <Shell view="Book" page={props.page}>
      <Frame acts={ACTS}>
        <Pages {...props} />
      </Frame>
    </Shell>
  )
}

const FIND_INPUT_ID = 'book-find'
const ACTS: SharedActs = { fieldId: FIND_INPUT_ID, typeWords: 'find in the Book' }

function Pages(props: BookViewProps) {
  const { sets, remove: removeSet, toTray } = useSets(props.sets)
  const { tunes, remove: removeTune } = useTunes(props.tunes)
  const { shapes, total, find, setFind, rename, remove } = useBook(props.shapes, props.total)
  return (
    <div className={classes['page']}>
      <div className={classes['head']}>
        <h1>Book</h1>
        <p data-testid="book-count">
          {total === 0 ? 'nothing kept yet' : `${counted(total, 'shape')} kept · newest first`}
          {props.shapes.length < props.total && ` · the newest ${props.shapes.length} of ${props.total} are listed`}
        </p>
        {total > 0 && (
          <label className={classes['find']}>
            <span>Find</span>
            <input
              id={FIND_INPUT_ID}
              className="plain-field"
              value={find}
              onChange={(event) => setFind(event.currentTarget.value)}
              placeholder="a name, a chord, a shape"
              spellCheck={false}
            />
          </label>
        )}
      </div>
      {total === 0 && (
        <p className={classes['empty']}>
          Shapes that you keep in <a href="/">Build</a> with <kbd>K</kbd> come here, and stay when the application is
          closed.
        </p>
      )}
      {total > 0 && shapes.length === 0 && <p className={classes['empty']}>Nothing in the Book matches “{find}”.</p>}
      {tunes.length > 0 && find === '' && (
        <section aria-label="Tunes">
          <h2 className={classes['section']}>
            Tunes{tunes.length < props.tuneTotal ? `, the newest ${tunes.length} of ${props.tuneTotal}` : ''}
          </h2>
          <ul className={classes['shapes']}>
            {tunes.map((tune) => (
              <li key={tune.id}>
                <TuneCard tune={tune} remove={removeTune} />
              </li>
            ))}
          </ul>
          {sets.length === 0 && <h2 className={classes['section']}>Shapes</h2>}
        </section>
      )}
      {sets.length > 0 && find === '' && (
        <section aria-label="Sets">
          <h2 className={classes['section']}>
            Sets{sets.length < props.setTotal ? `, the newest ${sets.length} of ${props.setTotal}` : ''}
          </h2>
          <ul className={classes['shapes']}>
            {sets.map((set) => (
              <li key={set.id}>
                <SetCard set={set} remove={removeSet} toTray={toTray} />
              </li>
            ))}
          </ul>
          <h2 className={classes['section']}>Shapes</h2>
        </section>
      )}
      <ul className={classes['shapes']}>
        {shapes.map((shape) => (
          <li key={shape.id}>
            <KeptShapeCard shape={shape} rename={rename} remove={remove} />
          </li>
        ))}
      </ul>
    </div>
  )
}
