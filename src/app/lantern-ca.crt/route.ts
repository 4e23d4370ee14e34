import { readFile } from "node:fs/promises";
import path from "node:path";
import { dataFolder } from "@/server/db/open-database";
import { refuse } from "@/server/http";

/** The certificate a phone must trust to reach this program over HTTPS. It holds no secret. */
export async function GET(): Promise<Response> {
  try {
    const file = await readFile(
      path.join(/* turbopackIgnore: true */ dataFolder(), "authority", "lantern-ca.crt"),
    );
    return new Response(new Uint8Array(file), {
      headers: {
        "content-type": "application/x-x509-ca-cert",
        "content-disposition": 'attachment; filename="lantern-ca.crt"',
        "cache-control": "no-store",
      },
    });
  } catch {
    return refuse(
      404,
      "certificate",
      "is not there: start the program with --https and open the evening first",
    );
  }
}
