import { edgesOf } from "@/api";
import { serve } from "@/server/serve";
import { listVersions } from "@/server/songs/song-evenings";

/** How versions begin and end, for a running order: `?versions=a,b`. */
export const GET = serve(edgesOf, async ({ sent }) => ({ versions: await listVersions(sent.versions) }));
