export { changeKept } from "./live/settings";
