import type { Store } from "../store";
import { runningClock } from "./clock";
import type { Gate, Where } from "./host-gate";

/** The listener for the network, opened and closed at run time. */
export type Network = {
  /** Listens at a port, or the first free one after it. */
  readonly openAt: (port: number, tries?: number) => Promise<Where>;
  readonly close: () => Promise<void>;
  readonly where: () => Where | null;
  readonly firstPort: number;
  readonly secure: boolean;
};

/**
 * What holds the program while it runs: made once at the start and handed on to Next, whose bundles may load a file twice.
 * It is the one value on the global object.
 */
export type Host = {
  /** Null where Next runs without our server, and in tests. */
  readonly network: Network | null;
  /** The database, which has been begun to open; null in tests and tools, which open their own. */
  readonly store: Store | null;
  /** Takes the gate, which the program brings once its database is being opened. */
  readonly takeGate: (gate: Gate) => void;
  /** The time an evening goes by, ms since 1970; another one in tests. */
  readonly clock: () => number;
  /** Values there are once a process, by name. */
  readonly kept: Map<string, unknown>;
};

const place = globalThis as { lanternHost?: Host };

/** The host; one without a server where none was made. */
export function host(): Host {
  place.lanternHost ??= {
    network: null,
    store: null,
    takeGate: () => {},
    clock: runningClock(),
    kept: new Map(),
  };
  return place.lanternHost;
}

/** Hands a host on to all that runs in this process. */
export function setHost(made: Host): void {
  place.lanternHost = made;
}

/**
 * A value there is once a process, however often the file that names it is loaded.
 * @example const sessions = onHost("sessions", () => new Map<string, Session>()); sessions().get(id)
 */
export const onHost =
  <Value>(name: string, make: () => Value): (() => Value) =>
  () => {
    const { kept } = host();
    if (!kept.has(name)) kept.set(name, make());
    return kept.get(name) as Value;
  };

/** A value that is set later, and once a process. @example const opened = heldOnHost<Database>("database"); opened.now ??= open() */
export const heldOnHost = <Value>(name: string): { now: Value | null } => ({
  get now() {
    return (host().kept.get(name) as Value | undefined) ?? null;
  },
  set now(value: Value | null) {
    host().kept.set(name, value);
  },
});
