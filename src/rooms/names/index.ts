export { NamesSwitch } from "./NamesSwitch";
export { PageNames } from "./PageNames";
export { queryOf } from "./query";
export { chooseNames, windowNames } from "./window-names";
