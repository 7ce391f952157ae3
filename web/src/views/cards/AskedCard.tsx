/** One card: its question, the shape that it is about, the answer, and what was right. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { type Card, readMaterial } from '@nestling/core/practice'
import { Word } from '../../controls/Word.tsx'
import { HandNeck } from '../../neck/HandNeck.tsx'
import { degreeLabel } from '../../neck/labels.ts'
import { $session } from '../../state/session.ts'
import { answerWords, NEARLY_WORDS, questionWords } from '../../words/cards.ts'
import { faultsOf, faultsWords, GRADE_WORDS, materialWords } from '../../words/practice.ts'
import { Answer } from './Answer.tsx'
import classes from './CardsView.module.css'
import { shownOf } from './shownShape.ts'
import type { CardWho } from './useCardEar.ts'
import type { Asked, CardsState, Told } from './useCards.ts'

export function AskedCard({ state, asked }: { readonly state: CardsState; readonly asked: Asked }) {
  const { settings, instrument } = useStore($session)
  const { told } = state
  const { card, neck } = asked
  const shape = shownOf(card, neck, told !== undefined)
  return (
    <section aria-label="Card" className={classes['asked']}>
      <p className={classes['from']}>
        {materialText(asked.due.material, asked.due.title, neck.open.length)}{' '}
        {asked.due.isLost ? '· lost last time' : asked.due.isNew ? '· new' : ''}
      </p>
      <h2 className={classes['ask']} data-testid="card-question">
        {questionWords(card, settings.naming)}
      </h2>
      {shape && (
        <div className={classes['shape']}>
          {card.kind === 'play' && (
            <p className={classes['of']}>
              {writeSymbol(card.chord, { naming: settings.naming, school: settings.symbols })}
            </p>
          )}
          <HandNeck
            frets={shape.frets}
            degrees={shape.degrees}
            fingering={undefined}
            from={shape.from}
            to={shape.to}
            lowOnTop={settings.lowOnTop}
            leftHanded={instrument.handed === 'left'}
            labelOf={degreeLabel}
            under={
              shape.asked === undefined
                ? undefined
                : ({ y }) => (
                    <text
                      x={instrument.handed === 'left' ? 308 : 8}
                      y={y(shape.asked ?? 0) + 5}
                      className={classes['string']}
                    >
                      ?
                    </text>
                  )
            }
          />
        </div>
      )}
      {card.kind === 'play' && !told && <ByEar state={state} />}
      {told ? (
        <Verdict told={told} card={card} />
      ) : (
        <Answer key={asked.due.id} asked={asked} answer={state.answer} lookUp={state.lookUp} />
      )}
    </section>
  )
}

const WHO: readonly CardWho[] = ['microphone', 'right', 'a fret off']
const WHO_WORDS: Readonly<Record<CardWho, string>> = {
  microphone: 'the microphone',
  right: 'a simulated player who plays it right',
  'a fret off': 'a simulated player who is a fret off',
}

/** The shape may be played as well as typed. */
function ByEar({ state: { ear } }: { readonly state: CardsState }) {
  const useChoices = () => WHO.map((who) => ({ value: who, words: WHO_WORDS[who], now: who === ear.who }))
  return (
    <p className={classes['from']} data-testid="card-ear">
      {ear.isListening ? 'Listening to ' : 'or play it, to '}
      <Word label="Listen to" now={WHO_WORDS[ear.who]} useChoices={useChoices} take={ear.setWho} />
    </p>
  )
}

function Verdict({ told: { answer, checked, grade, heard }, card }: { readonly told: Told; readonly card: Card }) {
  const { settings } = useStore($session)
  const say = (given: Parameters<typeof answerWords>[0]) => answerWords(given, card, settings.naming)
  const verdict =
    checked.verdict === 'right' ? 'Right' : checked.verdict === 'nearly' ? 'Nearly' : answer ? 'No' : 'Looked up'
  const right = checked.right.map(say)
  return (
    <div role="status" className={classes['verdict']} data-testid="card-verdict" data-verdict={checked.verdict}>
      <p>
        <strong>{verdict}</strong>
        {heard && <> · the ear heard {faultsWords(faultsOf(heard.verdicts)) || 'every string'}</>}
        {answer && !heard && checked.verdict !== 'right' && (
          <>
            {' '}
            · you said {say(answer)}
            {checked.nearly ? `: ${NEARLY_WORDS[checked.nearly]}` : ''}
          </>
        )}
      </p>
      <p className={classes['right']}>
        {checked.verdict === 'right' && answer ? say(answer) : right.slice(0, 4).join(' or ')}
        {right.length > 4 && checked.verdict !== 'right' && ` or ${right.length - 4} more`}
      </p>
      <p className={classes['hint']}>
        kept as {GRADE_WORDS[grade]}: <kbd>Enter</kbd> goes on, <kbd>1</kbd> to <kbd>4</kbd> say otherwise
      </p>
    </div>
  )
}

function materialText(text: string, title: string, strings: number): string {
  const read = readMaterial(text, strings)
  return read.ok ? materialWords(read.value, title) : text
}
