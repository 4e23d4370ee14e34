import type { Metadata } from "next";
import { NewSong } from "@/rooms/new-song/NewSong";

export const metadata: Metadata = { title: "Make a song" };

export default function Page() {
  return <NewSong />;
}
