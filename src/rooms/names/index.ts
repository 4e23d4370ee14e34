export { NamesSwitch } from "./NamesSwitch";
export { SongNames } from "./SongNames";
export { type NameOf, type NamesAt, nameBy, namesBy, soundingNames, useNameOf, useNames } from "./use-names";
export { choiceOfQuery, queryOf, windowNames } from "./window-names";
