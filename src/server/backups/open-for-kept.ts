import { bringKept } from "@/api";
import { refuse } from "../http";
import { openAnew, whyClosed } from "../rescue";
import { startKeeping } from "./keeping";
import { readKept } from "./kept-folder";

/**
 * Before a kept backup is put back: where the database does not open, its files are put aside and a new one is made. Nothing
 * is touched where the backup that was named is not there.
 * @param body as it was sent
 * @returns an answer where it ends here
 */
export async function openForKept(body: string): Promise<Response | null> {
  if (whyClosed() === null) return null;
  const asked = (await bringKept.request!.check()).safeParse(readJson(body));
  if (!asked.success) return refuse(400, "name", "should name a kept backup, or be null");
  const { name } = asked.data;
  if (name !== null && !readKept(name)) return refuse(404, "name", "names no backup that is kept");
  const aside = await openAnew();
  process.stdout.write(`The database that did not open is kept as ${aside} in the data folder.\n`);
  startKeeping();
  return name === null ? Response.json({ documents: 0, leftOut: [] }) : null;
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
