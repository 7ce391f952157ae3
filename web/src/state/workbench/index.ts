/** The state of the Build view. */
export {
  $writtenShapes,
  clearNeck,
  invert,
  moveFret,
  moveStrings,
  nameByHand,
  setByHand,
  setString,
  takeEasier,
  takeFingers,
  takeLine,
  takeName,
  takeQuestion,
  takeShape,
  takeVoicing,
  toggleString,
  typeLine,
} from './actions.ts'
export { type Address, addressOf, addressOfShape, questionTextsIn, readAddress, stepFrom } from './address.ts'
export { $counts, $waysOut, countFor, countLines, countWord } from './counts.ts'
export { $easier } from './easier.ts'
export { readFirstAnswer } from './firstAnswer.ts'
export { $otherSets } from './otherSets.ts'
export {
  $preview,
  $workbench,
  asked,
  changePlayer,
  current,
  finishLine,
  firstState,
  neckIn,
  openWorkbench,
  redo,
  searchAgain,
  shapeInHand,
  undo,
  voicingInHand,
  whenAnswered,
} from './store.ts'
export type { CountedWayOut, Counts, Preview, Search, Step, WorkbenchState } from './types.ts'
