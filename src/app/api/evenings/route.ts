import { refuse } from "@/server/http";
import { eveningsWith } from "@/server/songs/evenings";

/** Evenings in whose running order a version stands, each with its songs. */
export async function GET(request: Request): Promise<Response> {
  const version = new URL(request.url).searchParams.get("version");
  if (version === null) return refuse(400, "version", "should name a version of a song");
  return Response.json(
    { evenings: await eveningsWith(version) },
    { headers: { "cache-control": "no-store" } },
  );
}
