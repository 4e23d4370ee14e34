/** Decibels below full scale; 0 is the loudest a converter can hold. */
export type Dbfs = number;

/** The amplitude of a level, 1 being full scale. */
export const amplitudeOf = (level: Dbfs): number => 10 ** (level / 20);
const toDbfs = (amplitude: number): Dbfs => 20 * Math.log10(amplitude);

/**
 * How loud layers can get together: the worst case, all peaks at one moment, and what is likely, powers added.
 * @param levels peaks, dBFS
 * @example addUp([-12, -12]) // => { worst: -5.98, likely: -8.99 }
 */
export function addUp(levels: readonly Dbfs[]): { readonly worst: Dbfs; readonly likely: Dbfs } {
  const amplitudes = levels.map(amplitudeOf);
  const worst = toDbfs(amplitudes.reduce((sum, one) => sum + one, 0));
  const likely = 10 * Math.log10(amplitudes.reduce((sum, one) => sum + one ** 2, 0));
  return { worst, likely };
}

/**
 * The peak at which each of so many equal layers may be recorded so that even the worst case stays below a level.
 * @example levelForLayers(4, -1) // => -13.04
 */
export const levelForLayers = (layers: number, most: Dbfs): Dbfs => most - toDbfs(layers);

/** The peak of a block of samples, dBFS; −Infinity for silence. */
export function peakOf(samples: Float32Array): Dbfs {
  let peak = 0;
  for (const sample of samples) peak = Math.max(peak, Math.abs(sample));
  return toDbfs(peak);
}

/** Room that is kept below full scale, dB. Common practice, no source. */
export const HEADROOM = 3;
