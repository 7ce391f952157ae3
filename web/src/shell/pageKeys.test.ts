import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { onPageKey } from './pageKeys.ts'

/** An element as far as the keys ask: which tags and roles it lies within. */
class FakeElement {
  readonly within: readonly string[]
  constructor(...within: readonly string[]) {
    this.within = within
  }
  closest(selector: string): FakeElement | null {
    return selector.split(', ').some((one) => this.within.includes(one)) ? this : null
  }
}
beforeEach(() => void vi.stubGlobal('Element', FakeElement))
afterEach(() => vi.unstubAllGlobals())

test.each([
  ['everywhere', 't', [], 'tray taken'],
  ['off', 't', [], ''],
  ['off', 't', ['[data-one-stop]'], ''],
  ['neck', 't', [], ''],
  ['neck', 't', ['[data-testid="neck"]'], 'tray taken'],
  ['off', ' ', [], 'play taken'],
  ['off', 'ArrowLeft', [], 'left taken'],
] as const)('single letters %s: %o on %o: %o', (letters, key, within, does) => {
  expect(pressOn(new FakeElement(...within), key, {}, false, letters)).toBe(does)
})

/** Presses a key and tells what was done, and whether the browser still does its own. */
function press(
  key: string,
  options: Partial<Record<'ctrlKey' | 'shiftKey' | 'altKey', boolean>> = {},
  ...on: string[]
) {
  return pressAfter(false, key, options, ...on)
}
function pressAfter(
  clicked: boolean,
  key: string,
  options: Partial<Record<'ctrlKey' | 'shiftKey' | 'altKey', boolean>>,
  ...on: string[]
) {
  return pressOn(new FakeElement(...on), key, options, clicked)
}
function pressOn(
  target: FakeElement,
  key: string,
  options: Partial<Record<'ctrlKey' | 'shiftKey' | 'altKey', boolean>>,
  clicked: boolean,
  letters?: 'everywhere' | 'neck' | 'off',
) {
  const done: string[] = []
  const event = {
    ...{ key, target, defaultPrevented: false, ctrlKey: false, metaKey: false, altKey: false },
    ...{ shiftKey: false, preventDefault: vi.fn(), ...options },
  }
  const keys = {
    undo: () => done.push('undo'),
    redo: () => done.push('redo'),
    acts: {
      t: () => done.push('tray'),
      ' ': () => done.push('play'),
      Enter: () => done.push('build'),
      ArrowLeft: () => done.push('left'),
    },
  }
  onPageKey(event as unknown as KeyboardEvent, keys, clicked, letters)
  return [...done, ...(event.preventDefault.mock.calls.length > 0 ? ['taken'] : [])].join(' ')
}

test.each([
  ['t', {}, 'tray taken'],
  ['T', { shiftKey: true }, 'tray taken'],
  ['ArrowLeft', {}, 'left taken'],
  [' ', {}, 'play taken'],
  ['q', {}, ''],
  ['t', { ctrlKey: true }, ''],
  ['ArrowLeft', { altKey: true }, ''],
  ['z', { ctrlKey: true }, 'undo taken'],
  ['Z', { ctrlKey: true, shiftKey: true }, 'redo taken'],
  ['z', {}, ''],
])('%s with %o does: %s', (key, options, expected) => expect(press(key, options)).toBe(expected))

test('a slider keeps its arrows; all other keys act there as well, undo too', () => {
  expect(press('ArrowLeft', {}, '[role="slider"]')).toBe('')
  expect(press('t', {}, '[role="slider"]')).toBe('tray taken')
  expect(press('z', { ctrlKey: true }, '[role="slider"]')).toBe('undo taken')
})

test('keys rest in a field and in a menu; undo too, which there belongs to the text', () => {
  for (const place of [
    'input:not([type="checkbox"]):not([type="radio"])',
    'select',
    '[role="menu"]',
    '[role="dialog"]',
  ]) {
    expect(press('t', {}, place)).toBe('')
    expect(press('z', { ctrlKey: true }, place)).toBe('')
  }
})

test('the space bar and Enter press the button that has the focus; other keys act there as well', () => {
  expect(press(' ', {}, 'button')).toBe('')
  expect(press('Enter', {}, 'button')).toBe('')
  expect(press('Enter', {})).toBe('build taken')
  expect(press(' ', {}, '[role="button"]')).toBe('')
  expect(press('t', {}, 'button')).toBe('tray taken')
})

test('a choice that was just pressed keeps the space bar and its arrows, and leaves the rest to the page', () => {
  const chip = ['input', 'input[type="radio"]']
  expect(press(' ', {}, ...chip)).toBe('')
  expect(press('ArrowLeft', {}, ...chip)).toBe('')
  expect(press('z', { ctrlKey: true }, ...chip)).toBe('undo taken')
  expect(press('ArrowLeft', {}, 'input')).toBe('left taken')
})

test('a button that was clicked gives the space bar back to the page; a field and the tapped tempo keep it', () => {
  expect(pressAfter(true, ' ', {}, 'button')).toBe('play taken')
  expect(pressAfter(true, 'Enter', {}, '[role="button"]')).toBe('build taken')
  expect(pressAfter(true, ' ', {}, 'button', '[data-keeps-presses]')).toBe('')
  expect(pressAfter(true, ' ', {}, 'input')).toBe('')
  expect(pressAfter(true, ' ', {}, '[role="menu"]')).toBe('')
})
