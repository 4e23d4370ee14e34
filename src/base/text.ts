/** A sentence's first letter made large. @example capital("capo 2") // => "Capo 2" */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
