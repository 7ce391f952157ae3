/** The state of the Build view. */
export {
  clearNeck, invert, moveFret, moveStrings, nameByHand, setByHand, setString, takeBuild, takeShape, takeVoicing, toggleString,
  typeLine,
} from './actions.ts' // biome-ignore format: a list
export { type Address, addressOf, readAddress, stateFrom } from './address.ts'
export { $counts, $waysOut, countFor, countWord } from './counts.ts'
export {
  $build, $history, $preview, $typed, changeSetting, current, neckIn, openBuild, redo, undo, voicingInHand,
} from './store.ts' // biome-ignore format: a list
export type { BuildState, Counts, Preview, Search, Step, Typed, WayOut } from './types.ts'
