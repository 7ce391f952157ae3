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
