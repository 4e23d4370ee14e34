import { connection } from "next/server";
import { byOrder } from "@/document";
import { PlayersRoom } from "@/rooms/players/PlayersRoom";
import { openDatabase } from "@/server/db/open-database";
import { findBand } from "@/server/songs/create";

export default async function Page() {
  await connection();
  const band = await findBand(await openDatabase());
  return <PlayersRoom band={band ? Object.values(band.body.players).sort(byOrder) : []} />;
}
