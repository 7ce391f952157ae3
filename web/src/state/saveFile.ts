/** Hands a file to the player, as a download. */
const KEPT_MS = 60_000

export function saveFile(file: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = name
  link.click()
  // The browser reads it after the click.
  setTimeout(() => URL.revokeObjectURL(link.href), KEPT_MS)
}

/** A title as a file's name. */
export const fileNameOf = (title: string): string =>
  title
    .toLowerCase()
    .replaceAll('♭', 'b')
    .replaceAll('♯', '-sharp')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '') || 'nestling'
