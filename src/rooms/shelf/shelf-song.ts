/** A version as the shelf lists it. */
export type ShelfSong = {
  readonly versionId: string;
  readonly songId: string;
  readonly title: string;
  readonly by: string;
  readonly versionName: string;
  readonly key: string;
  readonly bpm: number;
  readonly meter: string;
  readonly bars: number;
  readonly seconds: number;
  readonly players: readonly string[];
  readonly tags: readonly string[];
  readonly rehearsed: string | null;
  readonly archived: boolean;
};
export type ShelfPage = {
  readonly rows: readonly ShelfSong[];
  readonly total: number;
  readonly songs: number;
};
/** Does something with a song, and says so afterwards. */
export type Act = (song: ShelfSong, body: object, words: string) => void;
