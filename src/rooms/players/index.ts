export { NamesChoice } from "./NamesChoice";
export { readTuningText } from "./tuning-text";
export { useSingerRange } from "./use-singer-range";
