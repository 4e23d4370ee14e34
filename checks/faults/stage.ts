import { setTimeout as wait } from "node:timers/promises";
import { applyLive, EMPTY_STATE, type LeaderAct, type LiveMessage, type LiveState } from "@/core/stage";
import type { Chance } from "./chance";
import { ask, follow } from "./line";

export type Evening = {
  readonly address: string;
  readonly network: string;
  readonly eveningId: string;
  /** The leader's. */
  readonly cookie: string;
};

/** The leader: presses, and presses again what was not answered. What was answered is written down, with its event. */
export class Leader {
  readonly acknowledged = new Map<string, number>();
  private pressed = 0;

  constructor(
    private readonly evening: Evening,
    private readonly acts: readonly LeaderAct[],
  ) {}

  /** One press, sent until it is answered. */
  async press(isOver: () => boolean): Promise<void> {
    const { address, eveningId, cookie } = this.evening;
    const pressId = `press${this.pressed}`;
    const act = this.acts[this.pressed++ % this.acts.length]!;
    while (!isOver()) {
      const body = { act, pressId, pressedAt: null };
      const said = await ask(address, "POST", `/api/stage/${eveningId}/press`, { body, cookie });
      if (said?.status === 200) this.acknowledged.set(pressId, (said.body.event as { id: number }).id);
      if (said && said.status < 500) return;
      await wait(200);
    }
  }
}

/** A phone that follows the stage: the state it shows. */
export class Follower {
  private current: LiveState = EMPTY_STATE;
  readonly stop: () => void;

  constructor({ network, eveningId }: Evening, cookie: string) {
    this.stop = follow(
      () => `${network}/api/stage/${eveningId}/live?since=${this.current.lastId}`,
      cookie,
      (data) => {
        const message = JSON.parse(data) as LiveMessage;
        if (message.type === "whole") this.current = message.state;
        else if (message.type === "event" && message.event.id === this.current.lastId + 1)
          this.current = applyLive(this.current, message.event);
      },
    );
  }

  get state(): LiveState {
    return this.current;
  }
}

/** Somebody who joined; `isOut` is null where an answer was lost and nobody knows. */
type Guest = { readonly cookie: string; readonly id: string; isOut: boolean | null };

/** People who join by the code, look on, and are put out: whoever is out must stay out. */
export class Guests {
  readonly all: Guest[] = [];
  /** What somebody who was out was still answered. */
  readonly intrusions: string[] = [];

  constructor(
    private readonly evening: Evening,
    private readonly code: string,
    private readonly chance: Chance,
  ) {}

  /** Somebody new comes in, where that can be done now. */
  private async join(): Promise<void> {
    const { network } = this.evening;
    const before = new Set((await this.players()) ?? []);
    const joined = await ask(network, "POST", "/api/join", { body: { code: this.code } });
    if (joined?.status !== 201) return;
    const fresh = ((await this.players()) ?? []).filter((id) => !before.has(id));
    // Where it could not be seen who that was, nobody is judged by it.
    if (fresh.length === 1) this.all.push({ cookie: joined.cookie, id: fresh[0]!, isOut: false });
  }

  /** The ids of the players who are in; null where the leader could not be told. */
  private async players(): Promise<string[] | null> {
    const { address, cookie } = this.evening;
    const status = await ask(address, "GET", "/api/network", { cookie });
    const guests = status?.body.guests as { id: string; role: string }[] | undefined;
    return guests?.filter(({ role }) => role === "player").map(({ id }) => id) ?? null;
  }

  /** Everybody asks for the stage; one of those who are in may be put out. */
  async round(): Promise<void> {
    const { network, address, eveningId, cookie } = this.evening;
    for (const guest of this.all) {
      const { isOut } = guest;
      const said = await ask(network, "GET", `/api/stage/${eveningId}/me`, { cookie: guest.cookie });
      if (said && isOut && said.status < 400) this.intrusions.push(`${guest.id}: ${said.status}`);
    }
    const here = this.all.filter(({ isOut }) => isOut === false);
    if (here.length > 2) {
      const guest = here[this.chance.below(here.length)]!;
      const body = { act: "remove", guestId: guest.id };
      // Whoever is being put out may be in or out until that is answered.
      guest.isOut = null;
      const said = await ask(address, "POST", "/api/network", { body, cookie });
      if (said?.status === 200) guest.isOut = true;
    } else await this.join();
  }

  /** Who is in and gets nothing, and who is out and gets something. */
  async wrong(): Promise<string[]> {
    const { network, eveningId } = this.evening;
    const wrong: string[] = [];
    for (const { cookie, id, isOut } of this.all) {
      const said = await ask(network, "GET", `/api/stage/${eveningId}/me`, { cookie });
      const isIn = said !== null && said.status === 200;
      if (isOut !== null && isIn === isOut)
        wrong.push(`${id} ${isOut ? "is out" : "is in"}, and was answered ${said?.status}`);
    }
    return wrong;
  }
}
