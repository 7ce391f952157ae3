/**
 * Styles what a commit has drawn with it, and lays it out in a task of its own while the page waits for the screen's next turn:
 * the frame has only to paint it. Where the frame comes first, it lays out.
 */
export function layOutSoon(): void {
  // Asking for these brings styles up to date, and only styles.
  document.getAnimations()
  setTimeout(() => document.body.offsetHeight)
}
