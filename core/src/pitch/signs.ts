/** Between the ASCII that the program keeps and the signs that a player reads. */

/** `F##` → `F𝄪`, `Bbb` → `B𝄫`, `b13` → `♭13`. Leaves other letters alone: give it one note name or degree. */
export function withSigns(text: string): string {
  const note = /^([A-H])(bb|b|##|#)?$/.exec(text)
  if (note) return `${note[1]}${signOf(note[2] ?? '')}`
  return text.replace(/(?<=^|\s)(bb|b|##|#)(?=\d)/g, signOf)
}

export function signOf(accidental: string): string {
  switch (accidental) {
    case 'bb':
      return '𝄫'
    case 'b':
      return '♭'
    case '#':
      return '♯'
    case '##':
      return '𝄪'
    default:
      return accidental
  }
}
