export { replay } from "./replay";
export { restore } from "./restore";
export { takeEdit } from "./take";
