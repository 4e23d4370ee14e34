/**
 * Minutes that are likely, in words.
 * @example tellMinutes({ low: 11.6, high: 20.2 }) // => "12 to 20 minutes"
 */
export const tellMinutes = ({ low, high }: { readonly low: number; readonly high: number }): string =>
  high === 0 ? "nothing to learn" : `${Math.round(low)} to ${Math.round(high)} minutes`;
