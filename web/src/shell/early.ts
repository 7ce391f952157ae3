/**
 * What was pressed before the page was alive (kept by `early.inline.js`, in the page's head) is done once it is, in order,
 * each when the one before has been drawn.
 */

interface Common {
  readonly init: KeyboardEventInit & PointerEventInit
}
export type Early = Common & ({ readonly kind: 'key' } | { readonly kind: 'click'; readonly target: Element })

declare global {
  interface Window {
    /** Ends the keeping and gives what was kept. */
    nestlingEarly?: () => readonly Early[]
  }
}

/** What is in hand is told to the links of other views once it has rested; nobody waits longer than this for it. */
const [RESTS_MS, MOST_MS] = [200, 5000]

const frame = () => new Promise(requestAnimationFrame)
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

async function drawn(): Promise<void> {
  await frame()
  await frame()
}

/** Before another page is gone to, all that was done here has arrived: the page stands still, and the machine has time. */
async function atRest(): Promise<void> {
  let moves = true
  const observer = new MutationObserver(() => {
    moves = true
  })
  observer.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true })
  const until = performance.now() + MOST_MS
  while (moves && performance.now() < until) {
    moves = false
    await pause(RESTS_MS)
    await idle()
    if (document.querySelector('[aria-busy="true"]')) moves = true
  }
  observer.disconnect()
}

/** Not every browser tells when it has time. */
const idle = () =>
  new Promise<unknown>((resolve) =>
    'requestIdleCallback' in window ? requestIdleCallback(resolve, { timeout: 1000 }) : setTimeout(resolve),
  )

export async function doWhatWasPressed(): Promise<void> {
  const kept = window.nestlingEarly?.() ?? []
  for (const one of kept) {
    if (one.kind === 'key') pressKey(one.init)
    else {
      const target = one.target.isConnected ? one.target : elementAt(one.init)
      if (target?.closest('a[href]')) await atRest()
      if (target) press(target, one.init)
    }
    await drawn()
  }
}

const elementAt = ({ clientX = 0, clientY = 0 }: PointerEventInit) => document.elementFromPoint(clientX, clientY)

function press(target: Element, init: PointerEventInit): void {
  const all = { ...init, bubbles: true, cancelable: true, isPrimary: true }
  if (init.pointerType === 'mouse') {
    target.dispatchEvent(new PointerEvent('pointerdown', all))
    target.dispatchEvent(new PointerEvent('pointerup', all))
  }
  target.dispatchEvent(new PointerEvent('click', all))
}

/** A key that no one took writes into the field that has the focus, as it would have done. */
function pressKey(init: KeyboardEventInit): void {
  const at = document.activeElement ?? document.body
  const wasTaken = !at.dispatchEvent(new KeyboardEvent('keydown', { ...init, bubbles: true, cancelable: true }))
  const { key = '' } = init
  const field = document.activeElement
  if (wasTaken || !(field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement)) return
  if (key === 'Enter') field.form?.requestSubmit()
  else if (key === 'Backspace') setText(field, field.value.slice(0, -1))
  else if ([...key].length === 1) setText(field, field.value + key)
}

/** By the element's own setter: React hears of a value only so. */
function setText(field: HTMLInputElement | HTMLTextAreaElement, text: string): void {
  const own = field instanceof HTMLInputElement ? HTMLInputElement.prototype : HTMLTextAreaElement.prototype
  Object.getOwnPropertyDescriptor(own, 'value')?.set?.call(field, text)
  field.dispatchEvent(new InputEvent('input', { bubbles: true }))
}
