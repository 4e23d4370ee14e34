import { openDatabase } from "../db/open";
import { type Admission, type AtTheGate, admit } from "./gate";
import { endOpening, findOpening } from "./openings";

/** The listener for the network that server.mjs puts on the global object. */
export type Network = {
  readonly openAt: (port: number, tries?: number) => Promise<Where>;
  readonly close: () => Promise<void>;
  readonly where: () => Where | null;
  readonly firstPort: number;
  readonly secure: boolean;
};

export type Where = {
  readonly port: number;
  readonly secure: boolean;
  readonly addresses: readonly string[];
};

const shared = globalThis as {
  lanternNetwork?: Network;
  lanternGate?: {
    readonly admit: (request: AtTheGate) => Promise<Admission>;
    readonly reopen: (asked: { closed: boolean }) => Promise<Where | null>;
  };
};

/** The listener, or null where Next runs without our server. */
export const network = (): Network | null => shared.lanternNetwork ?? null;

/** Puts the gate where server.mjs finds it. */
export function setUpGate(): void {
  shared.lanternGate = {
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
  };
}
