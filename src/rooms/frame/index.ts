export { type PaletteGroup, usePaletteGroups } from "./frame-store";
export { HelpButtons } from "./HelpButtons";
export { tell } from "./toasts";
