import { stagePack } from "@/api";
import { packOf } from "@/app/packed";
import { readChoice } from "@/rooms/names/query";
import { serveSongs } from "@/server/stage/asked";

/** An evening, or one song, as one person plays it (`?person=`), told in the names that are asked for. */
export const GET = serveSongs(stagePack, async ({ items, sent: { person, ...names } }) =>
  packOf(items, person, readChoice(names)),
);
