/** Lanes, off the main thread: one key after another while something plays. */
import type { HandProfile } from '@nestling/core/hand'
import {
  type KeyOnNeck,
  type KeyQuestion,
  keyOnNeck,
  type LaneAsk,
  type LaneInKey,
  lanesOfAllKeys,
} from '@nestling/core/lane'
import type { Neck } from '@nestling/core/neck'
import { expose } from 'comlink'

const api = {
  keyOnNeck: (question: KeyQuestion, neck: Neck, hand: HandProfile): KeyOnNeck => keyOnNeck(question, neck, hand),
  lanesOfAllKeys: (question: KeyQuestion, ask: LaneAsk, neck: Neck, hand: HandProfile): readonly LaneInKey[] =>
    lanesOfAllKeys(question, ask, neck, hand),
}

export type KeyWorker = typeof api
expose(api)
