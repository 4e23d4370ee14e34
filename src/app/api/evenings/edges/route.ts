import { refuse } from "@/server/http";
import { listVersions } from "@/server/songs/evenings";

const MOST_VERSIONS = 60;

/** How versions begin and end, for a running order: `?versions=a,b`. */
export async function GET(request: Request): Promise<Response> {
  const asked = new URL(request.url).searchParams.get("versions") ?? "";
  const ids = asked.split(",").filter((id) => id !== "");
  if (ids.length === 0 || ids.length > MOST_VERSIONS)
    return refuse(400, "versions", `should name from 1 to ${MOST_VERSIONS} versions, with commas between`);
  return Response.json({ versions: await listVersions(ids) }, { headers: { "cache-control": "no-store" } });
}
