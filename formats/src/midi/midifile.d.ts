/** The second reader of the tests, as far as they use it. */
declare module 'midifile' {
  interface PlayedEvent {
    readonly subtype: number
    readonly channel: number
    readonly param1: number
    readonly playTime: number
  }
  export default class MidiFile {
    constructor(bytes: ArrayBuffer)
    readonly header: { getFormat(): number; getTicksPerBeat(): number; getTracksCount(): number }
    getMidiEvents(): readonly PlayedEvent[]
  }
}
