/** Decibels of a volume from 0 to 100: loudness halves about every 30 percent; 70 is as loud as it was made. */
export const decibels = (percent: number): number =>
  percent <= 0 ? Number.NEGATIVE_INFINITY : 30 * Math.log10(percent / 70)
