/** Every string that is struck, live and in a file: when its source starts, and what its gain does. */
import type { Page } from '@playwright/test'

/** Times in seconds from the first string struck in the same context. */
export interface StruckString {
  readonly at: number
  /** What its own gain is told, in the order of times: the value and when. */
  readonly gain: readonly (readonly [value: number, at: number])[]
}

/** Call before the page is opened. @returns What was struck, by the context that it was struck in: live, or rendered. */
export async function watchGains(page: Page): Promise<(where: 'live' | 'file') => Promise<readonly StruckString[]>> {
  await page.addInitScript(() => {
    interface Kept {
      at: number
      param: AudioParam | undefined
      live: boolean
    }
    const kept: Kept[] = []
    const told = new Map<AudioParam, [number, number][]>()
    Object.assign(window, { strings: { kept, told } })
    const gainOf = new Map<AudioNode, AudioParam>()
    const { connect } = AudioNode.prototype
    AudioNode.prototype.connect = function (this: AudioNode, to: AudioNode & AudioParam, ...rest: never[]) {
      if (this instanceof AudioBufferSourceNode && to instanceof GainNode) gainOf.set(this, to.gain)
      return connect.call(this, to, ...rest) as never
    } as never
    for (const name of ['setValueAtTime', 'linearRampToValueAtTime', 'exponentialRampToValueAtTime'] as const) {
      const own = AudioParam.prototype[name]
      AudioParam.prototype[name] = function (value: number, time: number) {
        const all = told.get(this) ?? []
        all.push([value, time])
        told.set(this, all)
        return own.call(this, value, time)
      }
    }
    const { start } = AudioBufferSourceNode.prototype
    AudioBufferSourceNode.prototype.start = function (when = 0, ...rest) {
      if ((this.buffer?.duration ?? 0) > 1) {
        const one = { at: when, param: gainOf.get(this), live: this.context instanceof AudioContext }
        kept.push(one)
      }
      return start.call(this, when, ...rest)
    }
  })
  return (where) =>
    page.evaluate((isLive) => {
      const { kept, told } = (
        window as unknown as {
          strings: {
            kept: { at: number; param: AudioParam | undefined; live: boolean }[]
            told: Map<AudioParam, [number, number][]>
          }
        }
      ).strings
      const own = kept.filter(({ live }) => live === isLive)
      const first = Math.min(...own.map(({ at }) => at))
      return own.map(({ at, param }) => ({
        at: at - first,
        gain: ((param && told.get(param)) ?? [])
          .map(([value, time]): [number, number] => [value, time - first])
          .toSorted(([, a], [, b]) => a - b),
      }))
    }, where === 'live')
}
