/** How it went, in four words; a schedule and a logbook read nothing else. */

export const GRADES = ['lost', 'hard', 'had', 'easy'] as const
export type Grade = (typeof GRADES)[number]

/** What a logbook holds of a root that nobody judged: it was played. */
export const LOG_GRADES = [...GRADES, 'played'] as const
export type LogGrade = (typeof LOG_GRADES)[number]

/** Who says so. */
export const JUDGES = ['player', 'ear', 'answer'] as const
export type Judge = (typeof JUDGES)[number]

export const isClean = (grade: LogGrade): boolean => grade === 'had' || grade === 'easy'
/** Lost or hard; what was only played is neither. */
export const isWeak = (grade: LogGrade): boolean => grade === 'lost' || grade === 'hard'

/** What was looked up was not known: at best it was hard. */
export const graded = (grade: Grade, shown: boolean): Grade => (shown && isClean(grade) ? 'hard' : grade)

/** What the ear proposes: every string right and in time is had; one fault, or late, is hard; more, or nothing, is lost. It never says easy. */
export function gradeHeard({
  right,
  faults,
  lateMs,
}: {
  readonly right: number
  readonly faults: number
  readonly lateMs: number
}): Grade {
  if (right === 0 || faults > 1) return 'lost'
  return faults === 1 || Math.abs(lateMs) > LATE_MS ? 'hard' : 'had'
}
/** An eighth at 240 a minute: what everybody hears as behind the beat. */
export const LATE_MS = 125
