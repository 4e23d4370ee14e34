import type { FeetMoment } from "./stage-feet";

/** A moment as a foot needs it: what is sung then, else bar and beat. @example tellWhen(moment) // => "on “lamp”" */
export const tellWhen = ({ words, place }: Pick<FeetMoment, "words" | "place">): string =>
  words === "" ? `at ${place}` : words;
