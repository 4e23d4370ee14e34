export { PageNames } from "./PageNames";
export { queryOf } from "./query";
export { SongNames } from "./SongNames";
export { type NameOf, type NamesAt, nameBy, namesBy, soundingNames, useNameOf, useNames } from "./use-names";
export { windowNames } from "./window-names";
