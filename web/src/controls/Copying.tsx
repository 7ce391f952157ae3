/** What is in hand for somebody else's page, and for paper. */
import { Menu } from '@mantine/core'
import { useState } from 'react'
import { tell } from '../state/notices.ts'
import { printPage } from '../state/printing.ts'
import type { Copied } from '../words/copied.ts'
import classes from './ActLine.module.css'

async function copy(text: string, what: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text)
    tell.done(`Copied: ${what}`)
  } catch {
    tell.problem('Not copied', 'this browser gives no access to the clipboard')
  }
}

/** Once the menu that led here is gone from the page. */
const printSoon = () => requestAnimationFrame(() => setTimeout(() => void printPage()))

export function Copying({ copied }: { readonly copied?: (() => Copied) | undefined }) {
  const [opened, setOpened] = useState(false)
  const button = (
    <button
      type="button"
      className={classes['quiet']}
      aria-haspopup="menu"
      aria-expanded={opened}
      onClick={() => setOpened(true)}
    >
      copy, print
    </button>
  )
  if (!opened) return button
  return (
    <Menu opened onChange={setOpened} position="bottom-end">
      <Menu.Target>{button}</Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => void copy(window.location.href, 'the link')}>Copy link</Menu.Item>
        {copied && (
          <>
            <Menu.Item onClick={() => void copy(copied().text, copied().text.split('\n')[0] ?? '')}>
              Copy as text
            </Menu.Item>
            <Menu.Item onClick={() => void copy(copied().tab, 'TAB')}>Copy as TAB</Menu.Item>
          </>
        )}
        <Menu.Divider />
        <Menu.Item onClick={printSoon}>Print</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  )
}
