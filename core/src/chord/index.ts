/**
 * Chord: from what a player writes to the degrees it means, and back.
 *   text ─readSymbol→ Chord (root, formula, bass) ─notesOf→ spelled notes; Chord ─writeSymbol→ text in three schools
 *   Formula ─omittableDegrees, soundingSets→ which tones may stay silent
 */

export type { CatalogueEntry } from './catalogue.ts'
export { CATALOGUE } from './catalogue.ts'
export type { StackInterval, StackStep } from './formula.ts'
export {
  bassDegreeOf,
  CHORD_DEGREES,
  familyOf,
  formulaKey,
  formulaMask,
  notesOf,
  plainestRoot,
  readFormula,
  readThirds,
  respellRoot,
  sortedFormula,
  stackedThirds,
  usualDegree,
  writeFormula,
} from './formula.ts'
export { definingDegrees, omittableDegrees, shellOf, soundingSets } from './omission.ts'
export type { SymbolReading } from './symbolRead.ts'
export { readSymbol } from './symbolRead.ts'
export type { SymbolStyle } from './symbolWrite.ts'
export { symbolSuffix, writeSymbol } from './symbolWrite.ts'
export type { Chord, Family, Formula, OmissionSchool, SymbolSchool } from './types.ts'
