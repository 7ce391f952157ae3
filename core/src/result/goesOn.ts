/**
 * What a half-typed line may go on with: its last word finished, or another word behind it.
 * @param text    The line so far.
 * @param kinds   Words that may come, kind by kind, the likeliest first; some are several (`drop 2`, `on 5 and 6`). Where nothing is begun, two
 *                of each kind show what there is, but of those that have been said.
 * @param isLine  Whether a whole line can be read.
 * @returns Whole lines, at most `most`.
 */
export function linesGoingOn(
  text: string,
  kinds: readonly (readonly string[])[],
  isLine: (line: string) => boolean,
  most = 8,
): readonly string[] {
  const lines = new Set<string>()
  const take = (begun: string, words: readonly string[]) => {
    const stem = text.slice(0, text.length - begun.length)
    for (const word of words) {
      if (lines.size === most) return
      if (word !== begun && isLine(stem + word)) lines.add(stem + word)
    }
  }
  const beginsWith = (begun: string) => (word: string) =>
    word.toLowerCase().startsWith(begun) || word.replaceAll(' ', '').startsWith(begun)
  const words = kinds.flat()
  for (const tail of [/\S+ \S+ \S+ \S*$/, /\S+ \S+ \S*$/, /\S+ \S*$/]) {
    const last = tail.exec(text)?.[0]
    if (last !== undefined) take(last, words.filter(beginsWith(last.toLowerCase())))
  }
  const begun = /\S*$/.exec(text)?.[0] ?? ''
  const stands = (word: string) => ` ${text} `.includes(` ${word} `)
  if (begun !== '') take(begun, words.filter(beginsWith(begun.toLowerCase())))
  else if (lines.size === 0)
    for (const kind of kinds) if (!kind.some(stands)) take('', kind.filter((word) => isLine(text + word)).slice(0, 2))
  return [...lines]
}
