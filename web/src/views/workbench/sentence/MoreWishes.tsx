/** Wishes that the sentence does not name yet: top tone, what is left out, open strings, place on the neck, doubling. Taken, they become words. */
import { Menu, UnstyledButton } from '@mantine/core'
import type { NamingSystem } from '@nestling/core/pitch'
import { type ChoiceField, choicesOf } from '@nestling/core/request'
import { memo } from 'react'
import { takeQuestion, type WorkbenchState } from '../../../state/workbench/index.ts'
import { choiceWords, wordOf } from '../../../words/choices.ts'
import classes from './Sentence.module.css'

const FIELDS = [
  ['top', 'On top'],
  ['omit', 'Left out'],
  ['open', 'Open strings'],
  ['place', 'Place on the neck'],
  ['doubling', 'Doubling'],
] as const satisfies readonly (readonly [ChoiceField, string])[]

export const MoreWishes = memo(function MoreWishes({
  question,
  player,
  naming,
}: Pick<WorkbenchState, 'question' | 'player'> & { readonly naming: NamingSystem }) {
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <UnstyledButton
          className={classes['more']}
          aria-label="More wishes: top tone, left out, open strings, place, doubling"
        >
          …
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>
        {FIELDS.map(([field, label]) => {
          const now = wordOf(field, question, player, naming)
          const others = choicesOf(field, question, player).filter(
            (choice) => wordOf(field, choice, player, naming) !== now,
          )
          return (
            <div key={field} role="group" aria-label={label}>
              <Menu.Label>{label}</Menu.Label>
              {others.map((choice) => (
                <Menu.Item key={choiceWords(field, choice, player, naming)} onClick={() => takeQuestion(choice)}>
                  {choiceWords(field, choice, player, naming)}
                </Menu.Item>
              ))}
            </div>
          )
        })}
      </Menu.Dropdown>
    </Menu>
  )
})
