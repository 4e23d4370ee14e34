export type { Admission, AtTheGate } from "./gate";
export { heldOnHost, host, onHost } from "./host";
