/** Where the page changes its form, in px: for the style sheets (as $narrow and so on) and for the code. */
export const BREAKPOINTS = {
  /** A phone. */
  phone: '720px',
  /** Sentence and margins become smaller. */
  small: '860px',
  /** From here down the parts of a view stand under one another, and the neck scrolls. */
  narrow: '980px',
  wide: '981px',
  /** The side of a table no longer fits beside it. */
  aside: '1080px',
  roomy: '1100px',
  /** The header has room for a notice between its two ends. */
  notices: '1220px',
  /** The long neck is narrower than it is drawn. */
  shrunk: '1279px',
}
