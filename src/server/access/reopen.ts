import { openDatabase } from "../db/open";
import { type Admission, type AtTheGate, admit } from "./gate";
import { endOpening, findOpening, onEnd } from "./openings";

/** The listener for the network that server.mjs puts on the global object. */
export type Network = {
  readonly openAt: (port: number, tries?: number) => Promise<Where>;
  readonly close: () => Promise<void>;
  readonly where: () => Where | null;
  readonly firstPort: number;
  readonly secure: boolean;
};

type Where = {
  readonly port: number;
  readonly secure: boolean;
  readonly addresses: readonly string[];
};

/** What server.mjs asks of the gate. */
type Gate = {
  readonly admit: (request: AtTheGate) => Promise<Admission>;
  /** Opens the network again for an evening that was open when the program ended. */
  readonly reopen: (asked: { closed: boolean }) => Promise<Where | null>;
};

const shared = globalThis as { lanternNetwork?: Network; lanternSetGate?: (gate: Gate) => void };

/** The listener, or null where Next runs without our server. */
export const network = (): Network | null => shared.lanternNetwork ?? null;

/** Hands the gate to server.mjs. */
export function setUpGate(): void {
  onEnd(() => void network()?.close());
  shared.lanternSetGate?.({
    admit: async (request) => admit(await openDatabase(), request),
    reopen: async ({ closed }) => {
      const database = await openDatabase();
      if (closed) await endOpening(database);
      const opening = await findOpening(database);
      // The same port as before: that is where the phones are trying.
      try {
        return opening ? ((await network()?.openAt(opening.port, 0)) ?? null) : null;
      } catch {
        process.stderr.write(
          `The evening is open to the network, but port ${opening?.port} is held by another program. Close that one and start again, or open the evening anew.\n`,
        );
        return null;
      }
    },
  });
}
