import {
  applyLive,
  EMPTY_STATE,
  followFrom,
  type LeaderAct,
  type LiveAct,
  type LiveItem,
  type StagePack,
  type StagePerson,
} from "@/core/stage";
import { localNow } from "./local-now";
import { type NamesHere, StageLine } from "./stage-line";

/** A song as one player's own stage begins with it. */
export type OwnSong = {
  readonly item: LiveItem;
  readonly pack: StagePack;
  readonly people: readonly StagePerson[];
};

/**
 * The own stage of a song: an evening of one song, which this screen leads and nobody follows. All of it is here from the first
 * drawing on, so a network that goes is not missed.
 */
export class OwnLine extends StageLine {
  private song: OwnSong;

  constructor(versionId: string, song: OwnSong, names: NamesHere) {
    const event = { id: 1, at: 0, act: { type: "score", items: [song.item] } } as const;
    super(versionId, {
      follower: followFrom(applyLive(EMPTY_STATE, event)),
      line: "own",
      role: "leader",
      people: song.people,
      person: song.pack.person,
      pack: song.pack,
    });
    this.song = song;
    this.names = names;
  }

  now(): number {
    return localNow();
  }

  /** Nobody else's clock is gone by. */
  get clockWithin(): number {
    return 0;
  }

  begin(): Promise<void> {
    return this.fetchNotes();
  }

  end(): void {}

  press(act: LeaderAct, ago = 0): Promise<void> {
    const { follower } = this.store.getState();
    const at = Math.max(follower.state.lastAt, this.now() - ago);
    const state = this.movedHere(follower.state, act, at);
    if (state) this.store.setState({ follower: followFrom(state) });
    return Promise.resolve();
  }

  async choose(person: string): Promise<void> {
    this.store.setState({ person, notes: [] });
    await this.fetchPack();
    await this.fetchNotes();
  }

  /**
   * Takes the song up as it stands after an edit; the clock runs on in it.
   * @param names the names its pack is told in
   */
  take(song: OwnSong, names: NamesHere): void {
    if (song === this.song) return;
    const isOther = JSON.stringify(song.item) !== JSON.stringify(this.song.item);
    this.song = song;
    if (isOther) this.happen({ type: "score", items: [song.item] });
    const { person } = this.store.getState();
    const isTold = JSON.stringify(names) === JSON.stringify(this.names) && person === song.pack.person;
    if (isTold) this.store.setState({ pack: song.pack });
    else void this.fetchPack();
    this.store.setState({ people: song.people });
  }

  /** Nothing is kept on the device here: a note that found no server is said. */
  protected override async sendNotes(): Promise<void> {
    await super.sendNotes();
    if (this.store.getState().unsent.length > 0) this.say("The note did not reach the server.");
  }

  private happen(act: LiveAct): void {
    const { state } = this.store.getState().follower;
    const event = { id: state.lastId + 1, at: Math.max(state.lastAt, this.now()), act };
    this.store.setState({ follower: followFrom(applyLive(state, event)) });
  }

  /** Opened again it begins from the top: nothing is kept. */
  protected save(): void {}
}
