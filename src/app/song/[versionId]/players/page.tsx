import { PlayersRoom } from "@/rooms/players/PlayersRoom";

export default function Page() {
  return <PlayersRoom />;
}
