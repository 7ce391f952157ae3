/** Lanes, off the main thread: one key after another while something plays. */

import { keyPlayed, laneGrips } from '@nestling/core/answer'
import type { HandProfile } from '@nestling/core/hand'
import { type KeyOnNeck, type KeyQuestion, type LaneAsk, type LaneInKey, lanesOfAllKeys } from '@nestling/core/lane'
import type { Neck } from '@nestling/core/neck'
import type { Playing } from '@nestling/core/request'
import { expose } from 'comlink'

const api = {
  keyPlayed: (question: KeyQuestion, playing: Playing | undefined, neck: Neck, hand: HandProfile): KeyOnNeck =>
    keyPlayed(question, playing, neck, hand),
  lanesOfAllKeys: (
    question: KeyQuestion,
    playing: Playing | undefined,
    ask: LaneAsk,
    neck: Neck,
    hand: HandProfile,
  ): readonly LaneInKey[] => lanesOfAllKeys(question, ask, neck, hand, playing && laneGrips(playing, neck, hand)),
}

export type KeyWorker = typeof api
expose(api)
