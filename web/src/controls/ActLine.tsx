/** The one line of acts under a view's sentence: the field to type in, what can be done, each with the key that does it. */
import { Menu } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { memo, type ReactNode } from 'react'
import type { PastSteps } from '../state/asked.ts'
import { otherPast, redoLast, undoLast } from '../state/undoOrder.ts'
import type { Copied } from '../words/copied.ts'
import classes from './ActLine.module.css'
import { Copying } from './Copying.tsx'
import { IconChevronDown } from './icons.ts'

export interface Act {
  readonly words: string
  /** As it is printed on the act. */
  readonly keyHint?: string | undefined
  readonly run?: (() => unknown) | undefined
  /** An act that leads to another view. */
  readonly href?: string | undefined
  readonly isMain?: boolean | undefined
  readonly disabled?: boolean | undefined
  /** It stands to be taken, or is on. */
  readonly mark?: 'proposed' | 'on' | undefined
  /** More ways to do it. */
  readonly menu?: { readonly label: string; readonly items: ReactNode } | undefined
}

export interface ActLineProps {
  readonly field: ReactNode
  /** Takes the place of the acts: the line keeps its height. */
  readonly problem: ReactNode
  readonly acts: readonly (readonly Act[])[]
  readonly past?: Pick<PastSteps<unknown>, 'canUndo' | 'canRedo'> | undefined
  readonly undo?: (() => unknown) | undefined
  readonly redo?: (() => unknown) | undefined
  readonly openKeys: () => void
  /** What is in hand as plain text, where there is something. */
  readonly copied?: (() => Copied) | undefined
}

export const ActLine = memo(function ActLine({
  field,
  problem,
  acts,
  past,
  undo,
  redo,
  openKeys,
  copied,
}: ActLineProps) {
  const other = useStore(otherPast())
  return (
    <div className={classes['line']} data-field={field !== null || undefined}>
      {field}
      <div className={classes['middle']}>
        {problem ?? (
          <div className={classes['acts']} role="group" aria-label="Acts">
            {acts.map((group) => (
              <span key={group.map(({ words }) => words).join()} className={classes['group']}>
                {group.map((act) => (
                  <OneAct key={act.words} act={act} />
                ))}
              </span>
            ))}
          </div>
        )}
      </div>
      <span className={classes['end']}>
        <button
          type="button"
          className={classes['quiet']}
          aria-label="Undo"
          disabled={!past?.canUndo && !other.canUndo}
          onClick={() => undoLast(undo)}
        >
          undo
        </button>
        {(other.canRedo || (redo && past?.canRedo)) && (
          <button type="button" className={classes['quiet']} aria-label="Redo" onClick={() => redoLast(redo)}>
            redo
          </button>
        )}
        <Copying copied={copied} />
        <button type="button" className={classes['quiet']} aria-label="Keys" onClick={openKeys}>
          keys <kbd>?</kbd>
        </button>
      </span>
    </div>
  )
})

/** Seen, not heard: the list of keys says them aloud. */
const Key = ({ of }: { readonly of: string }) => {
  const [first, second] = of.split(' ')
  return first === 'Ctrl' ? (
    <span className={classes['key']} data-control={second} />
  ) : (
    <span className={classes['key']} data-key={of} />
  )
}

const OneAct = memo(function OneAct({ act }: { readonly act: Act }) {
  const { words, keyHint, run, href, isMain, disabled, mark, menu } = act
  const inside = (
    <>
      {words}
      {keyHint !== undefined && <Key of={keyHint} />}
    </>
  )
  const main = isMain || undefined
  if (href !== undefined)
    return (
      <a className={classes['act']} href={href} data-main={main}>
        {inside}
      </a>
    )
  const button = (
    <button
      type="button"
      className={classes['act']}
      data-main={main}
      data-mark={mark}
      aria-pressed={mark === undefined ? undefined : true}
      disabled={disabled}
      onClick={() => run?.()}
    >
      {inside}
    </button>
  )
  if (!menu) return button
  return (
    <span className={classes['split']}>
      {button}
      <Menu position="bottom-start" closeOnItemClick={false}>
        <Menu.Target>
          <button type="button" className={classes['act']} data-main={main} aria-label={menu.label}>
            <IconChevronDown size={14} aria-hidden />
          </button>
        </Menu.Target>
        <Menu.Dropdown>{menu.items}</Menu.Dropdown>
      </Menu>
    </span>
  )
})
