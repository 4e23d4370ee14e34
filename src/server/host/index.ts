export { clockFrom } from "./clock";
export { heldOnHost, host, onHost } from "./host";
export type { Admission, AtTheGate } from "./host-gate";
