export { NamesChoice } from "./NamesChoice";
export { checkTuning, splitTuning } from "./tuning-text";
export { useSingerRange } from "./use-singer-range";
