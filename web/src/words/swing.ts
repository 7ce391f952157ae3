/** Between straight and triplets, in words. */
export const SWINGS = [
  [0, 'straight'],
  [25, 'a little swung'],
  [50, 'half swung'],
  [75, 'swung'],
  [100, 'swung as triplets'],
] as const

export const swingWord = (percent: number): string =>
  SWINGS.find(([of]) => of === percent)?.[1] ?? `swung by ${percent} %`

/** What stands over the staff; nothing where it goes straight, or where eighths are the beat and nothing swings. */
export function swingMark(
  { swing, swung }: { readonly swing: number; readonly swung: 'eighths' | 'sixteenths' },
  { unit }: { readonly unit: number },
): string {
  if (swing === 0 || unit === 8) return ''
  return `${swingWord(swing)}${swung === 'sixteenths' ? ' in sixteenths' : ''}`
}
