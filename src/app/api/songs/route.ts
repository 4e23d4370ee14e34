import { makeSong } from "@/api";
import { serveApart } from "@/server/apart/serve-apart";

/** Makes a song of a text or a file. */
export const POST = serveApart(makeSong, { most: makeSong.request!.most });
