import {
  choosePerson,
  fillPath,
  followStage,
  pressStage,
  stageClock,
  stageEvents,
  stageMe,
  stagePeople,
} from "@/api";
import { followFrom, hear, type LeaderAct, type LiveMessage, nextAskIn } from "@/core/stage";
import { makeId } from "@/document/client";
import { type KeptEvening, loadKept, saveKept } from "./keep";
import { localNow } from "./local-now";
import { StageClock } from "./stage-clock";
import { isAway, StageLine } from "./stage-line";

/** No word for so long means the network is gone: the server speaks every two seconds. */
const SILENT_MS = 5000;
const RETRY_MS = 400;
/** A line that does not open in so long is tried anew. */
const OPENING_MS = 4000;
const SAVE_MS = 400;
/**
 * One screen's line to an evening on stage. It hears the log, measures the clock, keeps a copy on the device, goes on alone
 * when the line is gone and falls back in step by itself.
 */
export class LiveLine extends StageLine {
  private readonly clock = new StageClock();
  private songs = "";
  private feed: EventSource | null = null;
  private heardAt = 0;
  private feedFrom = 0;
  private pings = 0;
  private pingTimer: ReturnType<typeof setTimeout> | undefined;
  private ended = false;
  /** Counts how often it was begun or ended: what was begun before an end does nothing more. */
  private run = 0;
  private asking = false;
  private hasAsked = false;
  private timers = new Set<ReturnType<typeof setTimeout>>();
  private saving: ReturnType<typeof setTimeout> | null = null;

  /** The server's clock, as well as it is known, ms. */
  now(): number {
    return this.clock.now();
  }

  /** How far the clock may be off, ms; null while it is not measured. */
  get clockWithin(): number | null {
    return this.clock.within;
  }

  /** Begins with what is kept on the device, then with the server. */
  async begin(): Promise<void> {
    const run = ++this.run;
    this.ended = false;
    const kept = await loadKept(this.id);
    if (run !== this.run) return;
    if (kept) {
      this.clock.begin(kept.offset);
      this.songs = kept.songs;
      this.feet = kept.feet ?? null;
      const { people, person, pack, notes, unsent } = kept;
      this.store.setState({ follower: followFrom(kept.state), people, person, pack, notes, unsent });
    }
    this.connect();
    this.every(500, () => this.watch());
    window.addEventListener("online", this.retry);
    document.addEventListener("visibilitychange", this.onSight);
    this.ping();
  }

  end(): void {
    this.run++;
    this.ended = true;
    this.feed?.close();
    for (const timer of this.timers) clearTimeout(timer);
    window.removeEventListener("online", this.retry);
    document.removeEventListener("visibilitychange", this.onSight);
  }

  /**
   * Sends the leader's press, or moves this screen alone while the line is gone.
   * @param ago how long ago it was made, ms
   */
  async press(act: LeaderAct, ago = 0): Promise<void> {
    const pressedAt = this.clockWithin === null ? null : this.now() - ago;
    const live = this.store.getState();
    if (live.line === "alone") return this.moveAlone(act);
    const pressed = await this.ask(pressStage, { act, pressId: makeId(), pressedAt });
    if (pressed.ok) this.hear({ type: "event", event: pressed.answer.event });
    else this.say(isAway(pressed) ? "The press did not reach the server." : pressed.message);
  }

  /** Moves this screen's own copy: an act on it, as the leader's would be. */
  private moveAlone(act: LeaderAct): void {
    const own = this.movedHere(StageLine.stateOf(this.store.getState()), act, this.now());
    if (own) this.store.setState({ own });
  }

  async choose(person: string): Promise<void> {
    const before = this.store.getState().person;
    this.store.setState({ person });
    const chosen = await this.ask(choosePerson, { person });
    // Without a network it is one's own part all the same; a name another device has taken is not.
    if (!chosen.ok && !isAway(chosen)) {
      this.store.setState({ person: before });
      this.say(chosen.message);
      return;
    }
    this.save();
    await this.fetchPack();
    await this.fetchNotes();
  }

  private connect(): void {
    if (this.ended || this.store.getState().out !== null) return;
    this.feed?.close();
    this.feedFrom = localNow();
    const since = this.store.getState().follower.state.lastId;
    const events = new EventSource(`${fillPath(followStage.path, { eveningId: this.id })}?since=${since}`);
    let isFirst = true;
    events.onmessage = ({ data }) => {
      const { now, ...message } = JSON.parse(data as string) as LiveMessage & { now: number };
      this.heardAt = localNow();
      this.clock.heard(now, this.heardAt);
      this.inStep();
      // What a line begins with stands, though it may be less than was known: a server that was set up anew.
      if (message.type === "whole" && isFirst) this.store.setState({ follower: followFrom(message.state) });
      else this.hear(message);
      isFirst = false;
      if (message.type === "beat" && message.songs !== null && message.songs !== this.songs) {
        this.songs = message.songs;
        void this.fetchPack();
      }
    };
    events.onerror = () => {
      if (this.feed !== events || this.ended) return;
      events.close();
      this.feed = null;
      this.alone();
      this.later(RETRY_MS, () => this.feed === null && this.connect());
      void this.askWhetherOut();
    };
    this.feed = events;
  }

  private readonly retry = (): void => {
    if (this.store.getState().line !== "step") this.connect();
  };

  private readonly onSight = (): void => {
    if (document.visibilityState === "visible") {
      this.retry();
      this.ping();
    }
  };

  /** Looks whether the line is silent: a network that is gone often says nothing. */
  private watch(): void {
    const now = localNow();
    const { line } = this.store.getState();
    if (line === "step" && now - this.heardAt > SILENT_MS) this.alone();
    if (line !== "step" && this.feed && now - this.feedFrom > OPENING_MS) this.connect();
  }

  private alone(): void {
    const { line, follower } = this.store.getState();
    if (line === "alone") return;
    this.store.setState({ line: "alone", own: follower.state });
  }

  private inStep(): void {
    const { line } = this.store.getState();
    if (line === "step") return;
    this.store.setState({ line: "step", own: null });
    // What a song has become meanwhile is told by the beat: after the first time all is not asked for again.
    void this.askAll(!this.hasAsked);
    this.hasAsked = true;
    void this.sendNotes();
    this.ping();
  }

  private hear(message: LiveMessage): void {
    const before = this.store.getState().follower;
    const follower = hear(before, message);
    if (follower === before) return;
    this.store.setState({ follower });
    if (follower.state !== before.state) this.save();
    if (follower.behind) void this.catchUp();
  }

  /** Asks for what is missing between. */
  private async catchUp(): Promise<void> {
    if (this.asking) return;
    this.asking = true;
    const { lastId } = this.store.getState().follower.state;
    const missed = await this.ask(stageEvents, { since: lastId });
    this.asking = false;
    if (!missed.ok) return;
    if ("state" in missed.answer) this.hear({ type: "whole", state: missed.answer.state });
    else for (const event of missed.answer.events) this.hear({ type: "event", event });
  }

  private ping(): void {
    if (this.ended) return;
    const asked = localNow();
    void this.ask(stageClock).then((told) => {
      if (told.ok) this.clock.answered(asked, told.answer.now, localNow());
    });
    this.pings++;
    clearTimeout(this.pingTimer);
    this.pingTimer = this.later(nextAskIn(this.pings, this.clockWithin), () => this.ping());
  }

  /** Who one is here; and, when all is asked for, who plays and what. */
  private async askAll(isAll: boolean): Promise<void> {
    const me = await this.ask(stageMe);
    if (me.ok) {
      const { role, person } = me.answer;
      this.store.setState({ role, person: person ?? this.store.getState().person, out: null });
    }
    if (!isAll) return;
    const found = await this.ask(stagePeople);
    if (found.ok) this.store.setState({ people: found.answer.people });
    await this.fetchPack();
    await this.fetchNotes();
  }

  private async askWhetherOut(): Promise<void> {
    const me = await this.ask(stageMe);
    if (me.ok || isAway(me) || (me.status !== 401 && me.status !== 404)) return;
    const gone = "There is no such evening here; it may have been removed.";
    this.store.setState({ out: me.status === 404 ? gone : me.message });
    this.feed?.close();
  }

  /** Writes the copy on the device, a moment after the last change. */
  protected save(): void {
    if (this.saving) return;
    this.saving = setTimeout(() => {
      this.saving = null;
      const { follower, people, person, pack, notes, unsent } = this.store.getState();
      const kept: KeptEvening = {
        state: follower.state,
        offset: this.now() - localNow(),
        people,
        person,
        pack,
        notes,
        unsent,
        feet: this.feet,
        songs: this.songs,
      };
      void saveKept(this.id, kept);
    }, SAVE_MS);
  }

  private later(ms: number, work: () => void): ReturnType<typeof setTimeout> {
    const timer = setTimeout(() => {
      this.timers.delete(timer);
      if (!this.ended) work();
    }, ms);
    this.timers.add(timer);
    return timer;
  }

  private every(ms: number, work: () => void): void {
    this.later(ms, () => {
      work();
      this.every(ms, work);
    });
  }
}
