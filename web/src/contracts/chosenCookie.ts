/**
 * Settings that a page has chosen and that the server has not answered yet, in a cookie: a page asked for meanwhile is drawn
 * with them, though it may be drawn before they are kept.
 */
const NAME = 'nestling-chosen'
/** Who comes back later is shown what the server has: it may be another's choice by then. */
const HELD_S = 60

/** @param cookies As a request or a document tells them. @returns Unchecked; `undefined` where there are none. */
export function chosenIn(cookies: string): unknown {
  const told = cookies.split(/;\s*/).find((one) => one.startsWith(`${NAME}=`))
  try {
    return told && JSON.parse(decodeURIComponent(told.slice(NAME.length + 1)))
  } catch {
    return undefined
  }
}

/** As a document takes it; nothing chosen takes it away. */
export const cookieOf = (chosen: object): string =>
  `${NAME}=${encodeURIComponent(JSON.stringify(chosen))}; path=/; samesite=strict; max-age=${Object.keys(chosen).length > 0 ? HELD_S : 0}`
