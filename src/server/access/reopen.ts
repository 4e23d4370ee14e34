import { closeDatabase } from "../db/open-database";
import { host } from "../host";
import { openOrNote, whyClosed } from "../rescue";
import { admit, admitToRescue } from "./access-gate";
import { endOpening, findOpening, onEnd } from "./openings";

/** Hands the gate to the host. */
export function setUpGate(): void {
  onEnd(() => void host().network?.close());
  host().takeGate({
    admit: async (request) => {
      const database = await openOrNote();
      return database ? admit(database, request) : admitToRescue(request);
    },
    reopen: async ({ closed }) => {
      const database = await openOrNote();
      if (!database) return null;
      if (closed) await endOpening(database);
      const opening = await findOpening(database);
      // The same port as before: that is where the phones are trying.
      try {
        return opening ? ((await host().network?.openAt(opening.port, 0)) ?? null) : null;
      } catch {
        process.stderr.write(
          `The evening is open to the network, but port ${opening?.port} is held by another program. Close that one and start again, or open the evening anew.\n`,
        );
        return null;
      }
    },
    close: async () => {
      if (whyClosed() === null) await closeDatabase();
    },
  });
}
