export { allowedHours, allowedLevel, describeHours, LIMIT_DBA } from "./hearing";
