export { allowedHours, allowedLevel, dosePercent, LIMIT_DBA, sayHours } from "./hearing";
