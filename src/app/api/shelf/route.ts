import { searchShelf } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { searchShelf as findOnShelf } from "@/server/documents/shelf";
import { serve } from "@/server/serve";

/** A page of the shelf: `?q=&sort=&down=&tag=&key=&meter=&archived=&offset=&limit=`. */
export const GET = serve(searchShelf, async ({ sent }) => findOnShelf(await openDatabase(), sent));
