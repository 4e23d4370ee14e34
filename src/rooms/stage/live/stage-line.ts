import { createStore } from "zustand";
import { type Called, call, type Endpoint, type StageRole, stageNotes, stagePack, writeNote } from "@/api";
import {
  applyLive,
  EMPTY_STATE,
  type FeetState,
  type Follower,
  followFrom,
  itemOf,
  type LeaderAct,
  type LiveState,
  placeAt,
  refuseLive,
  type StageNote,
  type StagePack,
  type StagePerson,
} from "@/core/stage";
import type { KeptFeet } from "./keep";
import type { StageSettings } from "./settings";

export type Live = {
  readonly follower: Follower;
  /** How the line to the server stands; `own` is a song's own stage, which nobody else follows. */
  readonly line: "opening" | "step" | "alone" | "own";
  /** What this screen goes by while it is alone: its copy, and the moves made on it here. */
  readonly own: LiveState | null;
  readonly role: StageRole;
  /** Why this screen is no longer let in, or null. */
  readonly out: string | null;
  readonly people: readonly StagePerson[];
  readonly person: string | null;
  readonly pack: StagePack | null;
  readonly notes: readonly StageNote[];
  readonly unsent: readonly StageNote[];
  /** What the server said to the last press that could not be done. */
  readonly said: { readonly text: string; readonly count: number };
};

const NOTHING_YET: Live = {
  follower: followFrom(EMPTY_STATE),
  line: "opening",
  own: null,
  role: "nobody",
  out: null,
  people: [],
  person: null,
  pack: null,
  notes: [],
  unsent: [],
  said: { text: "", count: 0 },
};

/** A server that has said nothing for so long is away, ms. */
const LONGEST_MS = 8000;

export const isAway = <Answer, Refusal>(
  called: Called<Answer, Refusal>,
): called is Extract<Called<Answer, Refusal>, { readonly status: "away" }> => called.status === "away";

/** What has been pressed of feet, to tell whether more has. */
const pressedSo = ({ box, on, sounding }: FeetState): string => JSON.stringify([box, on, sounding]);

/** How names are told on a screen; "" as its player reads. */
export type NamesHere = Pick<StageSettings, "shows" | "writing" | "accidentals" | "lines">;

/** What a screen on stage shows and takes, whatever moves it: a part, its notes, what its player's feet have pressed. */
export abstract class StageLine {
  readonly store;
  protected feet: KeptFeet | null = null;
  protected names: NamesHere = { shows: "", writing: "", accidentals: "", lines: "" };

  /** @param id of the evening, or of the version whose own stage it is */
  constructor(
    readonly id: string,
    start: Partial<Live> = {},
  ) {
    this.store = createStore<Live>(() => ({ ...NOTHING_YET, ...start }));
  }

  abstract begin(): Promise<void>;
  abstract end(): void;
  /** The clock this screen goes by, ms. */
  abstract now(): number;
  /** How far that clock may be off, ms; null while it is not measured. */
  abstract get clockWithin(): number | null;
  /**
   * Does what was pressed.
   * @param ago how long ago it was pressed, ms
   */
  abstract press(act: LeaderAct, ago?: number): Promise<void>;
  abstract choose(person: string): Promise<void>;
  /** Keeps what is known on the device, where it is kept. */
  protected abstract save(): void;

  /** What this screen shows: everybody's state, or its own while it is alone. */
  static stateOf(live: Live): LiveState {
    return live.line === "alone" && live.own ? live.own : live.follower.state;
  }

  /** The last live move this screen knows of: another value after each. */
  get moved(): number {
    return StageLine.stateOf(this.store.getState()).lastId;
  }

  /** A state after a press on this screen alone; null where it can't be done, which is said. */
  protected movedHere(state: LiveState, act: LeaderAct, at: number): LiveState | null {
    const reason = refuseLive(state, act, at);
    if (reason === null) return applyLive(state, { id: state.lastId + 1, at, act });
    this.say(reason);
    return null;
  }

  /** Keeps the bar that is now as a danger spot in the song's cues. The leader's, as every change of a song is. */
  async markBar(): Promise<void> {
    const { follower, pack } = this.store.getState();
    const item = itemOf(follower.state);
    const place = item && placeAt(item.passages, follower.state.transport, this.now());
    const song = pack?.songs.find(({ itemId }) => itemId === item?.id);
    if (!item || !place || !song) return this.say("There is no bar to mark here.");
    // The leader's alone: a phone that follows does without.
    const said = await import("./mark-bar").then(
      ({ markBar }) => markBar(item, place, song, LONGEST_MS),
      () => "The mark did not reach the server.",
    );
    this.say(said);
  }

  /** What is known of this player's feet in a song; null where nothing is. */
  feetIn(itemId: string): FeetState | null {
    const { person } = this.store.getState();
    return this.feet?.itemId === itemId && this.feet.person === person ? this.feet.state : null;
  }

  keepFeet(itemId: string, state: FeetState): void {
    const { person } = this.store.getState();
    if (person === null) return;
    const before = this.feetIn(itemId);
    this.feet = { itemId, person, state };
    // Written down where something was pressed or said, not with every look.
    if (!before || pressedSo(before) !== pressedSo(state)) this.save();
  }

  /** Says how names are told on this screen: its part is fetched anew in them. */
  tellNames(names: NamesHere): void {
    const isSame = JSON.stringify(names) === JSON.stringify(this.names);
    this.names = names;
    if (!isSame) void this.fetchPack();
  }

  /** Writes a note of one's own; without a network it is kept here and sent later. */
  note(note: StageNote): void {
    const others = (list: readonly StageNote[]) =>
      list.filter(({ versionId, useId }) => versionId !== note.versionId || useId !== note.useId);
    const { notes, unsent } = this.store.getState();
    this.store.setState({
      notes: note.text === "" ? others(notes) : [...others(notes), note],
      unsent: [...others(unsent), note],
    });
    this.save();
    void this.sendNotes();
  }

  protected async sendNotes(): Promise<void> {
    const { unsent, person } = this.store.getState();
    if (person === null) return;
    for (const note of unsent) {
      const kept = await this.ask(writeNote, { person, ...note });
      if (isAway(kept)) return;
      if (!kept.ok) this.say(`The note was not kept by the server: ${kept.message}`);
      this.store.setState({ unsent: this.store.getState().unsent.filter((one) => one !== note) });
    }
    this.save();
  }

  protected async fetchPack(): Promise<void> {
    const { person } = this.store.getState();
    if (person === null) return;
    const { names } = this;
    const packed = await this.ask(stagePack, {
      person,
      shows: names.shows || undefined,
      writing: names.writing || undefined,
      accidentals: names.accidentals || undefined,
      lines: names.lines || undefined,
    });
    if (!packed.ok || this.store.getState().person !== person || this.names !== names) return;
    this.store.setState({ pack: packed.answer });
    this.save();
  }

  protected async fetchNotes(): Promise<void> {
    const { person, unsent } = this.store.getState();
    if (person === null || unsent.length > 0) return;
    const found = await this.ask(stageNotes, { person });
    if (found.ok) this.store.setState({ notes: found.answer.notes });
  }

  /** Asks a route of this stage; a server that has said nothing for long is away. */
  protected ask<Output, Input, Answer, Refusal>(
    endpoint: Endpoint<Output, Input, Answer, Refusal>,
    sent?: Input,
  ): Promise<Called<Answer, Refusal>> {
    return call(endpoint, {
      params: { eveningId: this.id },
      ...(sent === undefined ? {} : { sent }),
      signal: AbortSignal.timeout(LONGEST_MS),
    });
  }

  protected say(text: string): void {
    this.store.setState({ said: { text, count: this.store.getState().said.count + 1 } });
  }
}
