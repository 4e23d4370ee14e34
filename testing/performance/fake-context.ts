/** An audio clock that stands still until it is moved, and remembers what it was asked to play. */
export function fakeContext() {
  const started: number[] = [];
  const gains: (readonly [value: number, at: number])[] = [];
  const context = {
    currentTime: 0,
    sampleRate: 8000,
    destination: {},
    createGain: () => ({
      gain: { value: 1, setValueAtTime: (value: number, at: number) => gains.push([value, at]) },
      connect: () => {},
      disconnect: () => {},
    }),
    createBuffer: (_channels: number, length: number) => ({ getChannelData: () => new Float32Array(length) }),
    createBufferSource: () => ({ buffer: null, connect: () => {}, start: (at: number) => started.push(at) }),
  };
  return { context, started, gains };
}
