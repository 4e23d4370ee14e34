export { showKeys } from "./combo";
export { keyAct } from "./key-act";
export { setSingleKeys, singleKeys } from "./singles";
export { KEYS, type KeyAct, type KeyPlace, PLACE_WORDS } from "./table";
