import { openDatabase } from "@/server/db/open";
import { searchShelf, shelfAsked } from "@/server/documents/shelf";
import { refuse } from "@/server/http";

/** A page of the shelf: `?q=&sort=&down=&tag=&key=&meter=&archived=&offset=&limit=`. */
export async function GET(request: Request): Promise<Response> {
  const asked = shelfAsked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) {
    const issue = asked.error.issues[0]!;
    return refuse(400, issue.path.map(String).join(".") || "query", issue.message);
  }
  const found = await searchShelf(await openDatabase(), asked.data);
  return Response.json(found, { headers: { "cache-control": "no-store" } });
}
