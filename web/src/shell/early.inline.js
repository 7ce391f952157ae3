// Keeps what is pressed before the page is alive; `early.ts` does it then, in order. What the browser itself needs no page
// for goes through: its shortcuts, Tab, scrolling, and a link where nothing was pressed before it.
;(() => {
  const kept = []
  const isField = (at) => at instanceof Element && at.matches('input, textarea, [contenteditable]')
  const onKey = (event) => {
    const { key, code, ctrlKey, metaKey, shiftKey, altKey } = event
    const isUndo = (ctrlKey || metaKey) && key.toLowerCase() === 'z'
    if (
      ((ctrlKey || metaKey) && !isUndo) ||
      altKey ||
      event.isComposing ||
      /^(Tab|F\d+|Shift|Control|Alt|Meta)$/.test(key)
    )
      return
    // The click that the key makes of itself is kept instead.
    if (
      (key === 'Enter' || key === ' ') &&
      event.target instanceof Element &&
      event.target.closest('button, a, summary')
    )
      return
    if (isField(event.target) && /^(Arrow|Home|End)/.test(key)) return
    event.preventDefault()
    event.stopImmediatePropagation()
    kept.push({ kind: 'key', init: { key, code, ctrlKey, metaKey, shiftKey } })
  }
  const onClick = (event) => {
    const { target, clientX, clientY, pointerId, pointerType, shiftKey, detail, button, ctrlKey, metaKey } = event
    if (button !== 0 || ctrlKey || metaKey || !(target instanceof Element)) return
    const link = target.closest('a[href]')
    if (link && kept.length === 0) return
    if (isField(target)) return
    event.preventDefault()
    event.stopImmediatePropagation()
    kept.push({ kind: 'click', target, init: { clientX, clientY, pointerId, pointerType, shiftKey, detail } })
  }
  addEventListener('keydown', onKey, true)
  addEventListener('click', onClick, true)
  window.nestlingEarly = () => {
    removeEventListener('keydown', onKey, true)
    removeEventListener('click', onClick, true)
    return kept
  }
})()
