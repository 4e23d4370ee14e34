import { EFFECT_IDS, type EffectId } from "../../song/schema";
import { type PedalPlan, planPedals } from "../pedals";
import { isOn, type Settings } from "../sound";
import type { SongTones } from "./song-sounds";
import type { TonePress } from "./sound-presses";
import { pressAt } from "./sound-presses";

/** The same song on single pedals. */
export type SongPedals = {
  readonly plan: PedalPlan;
  readonly presses: readonly TonePress[];
  /** Effects a sound needs and no pedal switches. */
  readonly missing: readonly EffectId[];
  /** Where a pedal that is on would have to be set otherwise by hand: it has no memory. */
  readonly turned: readonly { readonly label: string; readonly effects: readonly EffectId[] }[];
};

/** How strongly an effect is set: what a single pedal cannot change by a press. */
const setOf = (settings: Settings, effect: EffectId): string =>
  JSON.stringify(Object.entries(settings).filter(([key]) => key === effect || key.startsWith(`${effect}.`)));

/** A version on single pedals: those of the player's box, or one for each effect that is used. */
export function songPedals(song: SongTones): SongPedals {
  const played = song.soundUses.flatMap((soundUse) => {
    const settings = song.settings.get(soundUse.sound ?? "");
    return settings ? [{ soundUse, settings }] : [];
  });
  const used = EFFECT_IDS.filter((effect) => played.some(({ settings }) => isOn(settings, effect)));
  const own = song.box.pedals.flatMap(({ effect }) => (effect === "pedal" ? [] : [effect]));
  const pedals = song.box.kind === "pedals" ? [...new Set(own)] : used;
  const sections = played.map(({ soundUse, settings }) => ({
    id: soundUse.span.use.id,
    on: pedals.filter((effect) => isOn(settings, effect)),
  }));
  const plan = planPedals(pedals, sections);
  const byUse = new Map(played.map(({ soundUse }) => [soundUse.span.use.id, soundUse]));
  const presses = plan.boundaries.flatMap(({ before, press }) =>
    press.map((effect, at) => pressAt(song, byUse.get(before)!, { do: "pedal", effect }, at > 0)),
  );
  const lastSet = new Map<EffectId, string>();
  const turned = played.flatMap(({ soundUse, settings }) => {
    const effects = pedals.filter((effect) => {
      if (!isOn(settings, effect)) return false;
      const [now, before] = [setOf(settings, effect), lastSet.get(effect)];
      lastSet.set(effect, now);
      return before !== undefined && before !== now;
    });
    return effects.length === 0 ? [] : [{ label: soundUse.span.label, effects }];
  });
  return { plan, presses, missing: used.filter((effect) => !pedals.includes(effect)), turned };
}
