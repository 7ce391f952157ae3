/** Days as players have them: of their own calendar. */
const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const

/** `2026-11-23` where the player is. */
export function localDay(date: Date): string {
  const two = (number: number) => String(number).padStart(2, '0')
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
}
/** The last moment of that day, where the player is. */
export const endOfDay = (date: Date): Date =>
  new Date(date.getFullYear(), date.getMonth(), date.getDate(), 23, 59, 59, 999)

/** "23 Nov" of `2026-11-23`. */
export function shortDay(day: string): string {
  const [, month = '1', date = '1'] = day.split('-')
  return `${Number(date)} ${(MONTHS[Number(month) - 1] ?? '').slice(0, 3)}`
}
/** "Nov 2024": over years. */
export function monthDay(day: string): string {
  const [year = '', month = '1'] = day.split('-')
  return `${(MONTHS[Number(month) - 1] ?? '').slice(0, 3)} ${year}`
}
/** "23 November". */
export function longDay(day: string): string {
  const [, month = '1', date = '1'] = day.split('-')
  return `${Number(date)} ${MONTHS[Number(month) - 1] ?? ''}`
}
/** "27 November, 10:05", where the player is, of a time in UTC. */
export function momentWords(iso: string): string {
  const date = new Date(iso)
  const two = (number: number) => String(number).padStart(2, '0')
  return `${longDay(localDay(date))}, ${two(date.getHours())}:${two(date.getMinutes())}`
}
export const weekdayWords = (day: string): string => DAYS[new Date(`${day}T00:00:00Z`).getUTCDay()] ?? ''
export const WEEKDAYS: readonly string[] = DAYS
