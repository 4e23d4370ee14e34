import type { ShelfSong, SongAct } from "@/api";

/** Does something with a song, and says so afterwards. */
export type Act = (song: ShelfSong, wanted: SongAct, words: string) => void;
