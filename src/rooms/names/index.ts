export { NamesSwitch } from "./NamesSwitch";
export { PageNames } from "./PageNames";
export { queryOf, saidOf } from "./query";
export { useKeyTold } from "./use-key-told";
export { WindowNames } from "./WindowNames";
export { chooseNames, windowNames } from "./window-names";
