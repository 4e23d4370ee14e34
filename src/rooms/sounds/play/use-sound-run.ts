"use client";

import { add, batch, remove } from "@/core/song/edit";
import { nameOfAct, orderOfMessage } from "@/core/sounds";
import { scoreOfTones, type ToneBoxView, ToneDevice } from "@/performance/sounds";
import { makeId, useAct, useCurrentVersion } from "../../open";
import { keepRun, useAnswer, usePedals, useRunner } from "../../trainer";
import type { ShownTones } from "../use-sounds";
import { pedalsOf, switchesOf } from "./orders";
import { type ToneRunView, viewOfRun } from "./run-view";

/**
 * A run of the plan on the simulated box: what it shows, its switches, and the press that comes next.
 * @param send is given every MIDI message of the run
 */
export function useSoundRun(shown: ShownTones, send: ConstructorParameters<typeof ToneDevice>[5]) {
  const act = useAct();
  const current = useCurrentVersion();
  const { song, plan } = shown;
  const { box } = song;
  const { answer, onEnd, clear } = useAnswer((judged, whole) => {
    const kept = Object.values(current().soundRuns).filter(({ playerId }) => playerId === song.player.id);
    const { run, gone } = keepRun(kept, judged, makeId, { whole, of: "song" });
    const row = { ...run, playerId: song.player.id };
    act(batch("Keep a run", [...gone.map((old) => remove("soundRuns", old)), add("soundRuns", row)]));
  });
  const run = useRunner<ToneBoxView, ToneDevice>({
    score: (way, place) => scoreOfTones(shown, way, place),
    device: (context, way, place, songStart) => new ToneDevice(context, shown, way, place, songStart, send),
    onEnd,
  });
  const { running } = run;
  const view = run.view && viewOfRun(song, run.view);
  /** In a judged run a slot that is called up by MIDI counts as its press. */
  const onMessage = (bytes: readonly number[], stamp: number): boolean => {
    const order = orderOfMessage(bytes, box);
    const runner = run.current();
    if (order && runner && runner.way !== "show") {
      const at = runner.momentOf(stamp, performance.now());
      const pressed = runner.device.tell(order, at);
      if (pressed) runner.note(pressed, at);
    }
    return order !== null;
  };
  const switches = switchesOf(box, plan.banks);
  const pedals = usePedals(pedalsOf(switches), run.press, onMessage);
  const next = view && running !== "free" ? nextPress(shown, view) : null;
  const nextAt = next ? switches.findIndex((one) => nameOfAct(one.act) === nameOfAct(next.act)) : -1;
  /** The switch of an act by its name. */
  const switchOf = (act: string): string | null =>
    switches.find((one) => nameOfAct(one.act) === act)?.name ?? null;
  const isSoon = next !== null && view !== null && next.seconds - view.seconds < 1;
  return {
    ...run,
    view,
    answer,
    clear,
    switches,
    switchOf,
    pedals,
    next,
    due: isSoon && nextAt >= 0 ? nextAt : null,
  };
}

/** The press that comes next: an armed bank is asked for as soon as it may be. */
function nextPress({ presses, song }: ShownTones, view: ToneRunView) {
  return (
    presses.find((press) => {
      const latest = press.act.do === "arm" ? song.clock.secondsAt(press.into.rest.from) : press.seconds;
      if (press.act.do === "arm" && view.box.armed === press.act.bank) return false;
      return latest > view.seconds - 0.3;
    }) ?? null
  );
}
