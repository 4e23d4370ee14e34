export { showKeys } from "./combo";
export { keyAct, setSingleKeys, singleKeys } from "./singles";
export { KEYS, type KeyAct, type KeyPlace, PLACE_WORDS } from "./table";
