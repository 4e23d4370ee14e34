export { type AskOptions, type Job, Pool, type Thread, ThreadDied } from "./pool";
export { TIMERS } from "./timers";
