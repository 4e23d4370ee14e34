export { allowedHours, allowedLevel, LIMIT_DBA, sayHours } from "./hearing";
