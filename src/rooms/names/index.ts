export { NamesSwitch } from "./NamesSwitch";
export { PageNames } from "./PageNames";
export { queryOf } from "./query";
export { useKeyTold } from "./use-key-told";
export { chooseNames, windowNames } from "./window-names";
