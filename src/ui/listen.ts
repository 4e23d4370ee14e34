const EVERY_MS = 60;

/**
 * Opens the microphone and tells its wave again and again, as it came: nothing is recorded or sent.
 * @param size samples in each wave
 * @returns what lets the microphone go
 */
export async function listen(
  size: number,
  tell: (wave: Float32Array, sampleRate: number) => void,
): Promise<() => void> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  });
  const context = new AudioContext();
  const analyser = context.createAnalyser();
  analyser.fftSize = size;
  context.createMediaStreamSource(stream).connect(analyser);
  const wave = new Float32Array(size);
  const timer = setInterval(() => {
    analyser.getFloatTimeDomainData(wave);
    tell(wave, context.sampleRate);
  }, EVERY_MS);
  return () => {
    clearInterval(timer);
    for (const track of stream.getTracks()) track.stop();
    void context.close();
  };
}
