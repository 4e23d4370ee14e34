export { hear, midiInputs, midiOutputs } from "./midi";
