/** A tap of the count on the audio clock. @param at when, s */
export function countOn(context: AudioContext, at: number, strong: boolean): void {
  const oscillator = context.createOscillator();
  const gain = context.createGain();
  oscillator.frequency.value = strong ? 1600 : 1100;
  gain.gain.setValueAtTime(0.12, at);
  gain.gain.exponentialRampToValueAtTime(0.001, at + 0.04);
  oscillator.connect(gain).connect(context.destination);
  oscillator.start(Math.max(at, context.currentTime));
  oscillator.stop(at + 0.05);
}
