/** @throws what the browser throws when there is no microphone or it is refused. */
export function openMicrophone(): Promise<MediaStream> {
  if (!navigator.mediaDevices) throw new DOMException('not a safe address', 'NotSupportedError')
  return navigator.mediaDevices.getUserMedia({
    // What makes speech clear makes notes unclear.
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  })
}
