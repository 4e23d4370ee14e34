import { SongRoom } from "@/rooms/song/SongRoom";

export default function Page() {
  return <SongRoom />;
}
