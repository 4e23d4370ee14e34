export { clockFrom } from "./clock";
export { openDurable } from "./durable";
export { heldOnHost, host, onHost } from "./host";
export type { Admission, AtTheGate } from "./host-gate";
