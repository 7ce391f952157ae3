/**
 * Build: what the player asks for, as one value, one sentence, one address.
 *   typed line ─readBuildLine→ Build ─shapesFor→ ranked shapes;  Build ↔ named fields (readBuild, writeBuild)
 */
export type { Answer, AnsweredShape } from './answer.ts'
export { answerTo } from './answer.ts'
export { buildAround } from './around.ts'
export type { ChoiceField } from './choices.ts'
export { CHOICE_FIELDS, choicesOf, usualStringSets, waysOut } from './choices.ts'
export type { Completion } from './complete.ts'
export { completeLine } from './complete.ts'
export { readBuildLine } from './line.ts'
export type { ChordMap, Landmark, MapCell, MapRow } from './map.ts'
export { inAllKeys, landmarksOf, mapOf, openFormOf } from './map.ts'
export type { ChangedCell, ChangedMap, MapChange } from './mapChange.ts'
export { changedCell, changedMap } from './mapChange.ts'
export type { BuildField, BuildParams } from './params.ts'
export { BUILD_FIELDS, DEFAULT_FRET_MAX, readBuild, writeBuild } from './params.ts'
export type { ShapesFound } from './shapes.ts'
export { instrumentFor, playableCount, queryOf, shapesFor } from './shapes.ts'
export type { Build, FieldError, Setting } from './types.ts'
