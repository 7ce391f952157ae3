/**
 * Chord: from what a player writes to the degrees it means, and back.
 *   text ─readSymbol→ Chord (root, formula, bass) ─notesOf→ spelled notes; Chord ─writeSymbol→ text in three schools
 *   Formula ─omittableDegrees, soundingSets→ which tones may stay silent
 */

export type { CatalogueEntry } from './catalogue.ts'
export { CATALOGUE } from './catalogue.ts'
export type { FormulaError, SymbolError } from './errors.ts'
export { familyOf } from './family.ts'
export {
  CHORD_DEGREES,
  formulaKey,
  formulaMask,
  readFormula,
  sortedFormula,
  usualDegree,
  writeFormula,
} from './formula.ts'
export { definingDegrees, leftOutBesides, omittableDegrees, shellOf, soundingSets } from './omission.ts'
export { bassDegreeOf, notesOf, plainestRoot, respellRoot } from './spelled.ts'
export type { SymbolReading } from './symbolRead.ts'
export { readSymbol } from './symbolRead.ts'
export type { SymbolStyle } from './symbolWrite.ts'
export { symbolSuffix, writeSymbol } from './symbolWrite.ts'
export type { StackInterval, StackStep } from './thirds.ts'
export { readThirds, stackedThirds } from './thirds.ts'
export type { Chord, Family, Formula, OmissionSchool, SymbolSchool } from './types.ts'
