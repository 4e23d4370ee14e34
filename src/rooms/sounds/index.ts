export { playersWithSounds } from "./SoundsPlayer";
export { soundsLit } from "./use-sounds";
