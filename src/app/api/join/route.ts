import { isOpen, joinEvening } from "@/api";
import { tokenCookie } from "@/server/access/access-gate";
import { admitGuest, findOpening, roleOf } from "@/server/access/openings";
import { CODE_LENGTH, readCode } from "@/server/access/secrets";
import { SlowDown } from "@/server/access/slow-down";
import { openDatabase } from "@/server/db/open-database";
import { onHost } from "@/server/host";
import { refuse } from "@/server/http";
import { Reply, serve } from "@/server/serve";

/** A reload of this file must not forget who has guessed. */
const slowDown = onHost("wrong guesses", () => new SlowDown(isHere));

const isHere = (address: string): boolean =>
  address === "127.0.0.1" || address === "::1" || address === "::ffff:127.0.0.1";

function waitFirst(ms: number): Response {
  const seconds = Math.ceil(ms / 1000);
  const response = refuse(
    429,
    "code",
    `Too many wrong tries. Wait ${seconds === 1 ? "a second" : `${seconds} seconds`}, then try once more.`,
  );
  response.headers.set("retry-after", String(seconds));
  return response;
}

/** Whether an evening is open here. */
export const GET = serve(isOpen, async () => ({ open: (await findOpening(await openDatabase())) !== null }));

/**
 * Joins by a code, or as the leader by the passphrase. The answer sets a cookie that scripts can't read; nothing secret
 * stands in an address after this.
 */
export const POST = serve(joinEvening, async ({ sent, request }) => {
  const secret = "code" in sent ? { code: readCode(sent.code) } : sent;
  const address = request.headers.get("x-lantern-address") ?? "";
  const database = await openDatabase();
  const opening = await findOpening(database);
  if (!opening) return refuse(404, "code", "No evening is open here. Ask the leader to open it.");
  const tried = await slowDown().try(address, () => roleOf(opening, secret), Date.now);
  if ("wait" in tried) return waitFirst(tried.wait);
  const role = tried.right;
  if (!role)
    return "code" in secret
      ? refuse(
          403,
          "code",
          `That is not the code. It has ${CODE_LENGTH} signs; the leader's screen shows it.`,
        )
      : refuse(403, "passphrase", "That is not the leader's passphrase.");
  const { token } = await admitGuest(database, role);
  const isSecure = new URL(request.url).protocol === "https:" || opening.secure;
  return new Reply({ role, eveningId: opening.eveningId }, 201, {
    "set-cookie": tokenCookie(token, isSecure && !isHere(address)),
  });
});
