import type { Finding, Fixing } from "../../findings";
import { describeList } from "../../fretboard";
import { describeNote } from "../../rhythm";
import type { TonePlan } from "../plan";
import { areAlike, hasTails, isOn, loudness, PLAIN_SETTINGS, type Settings } from "../sound";
import { songPedals } from "./song-pedals";
import type { SongTones, SoundUse } from "./song-sounds";
import { type TimedSetting, timedSettings } from "./timed";

type Facts =
  /** The change into a section is heard. `section` is the id of its use: its ways out are its own. */
  | {
      readonly kind: "exposed";
      readonly section: string;
      readonly restMs: number;
      readonly wrongSlot: boolean;
    }
  | { readonly kind: "tails"; readonly labels: readonly string[]; readonly sounds: readonly string[] }
  | { readonly kind: "delay-too-long"; readonly timed: TimedSetting }
  /** Sounds that are heard as the same; described, unless nobody has said anything of any of them. */
  | { readonly kind: "alike"; readonly sounds: readonly string[]; readonly isPlain: boolean }
  /** A section is so many dB louder than what comes before. */
  | { readonly kind: "louder"; readonly by: number }
  | { readonly kind: "no-pedal"; readonly effect: string }
  | { readonly kind: "turned"; readonly effects: readonly string[] }
  | { readonly kind: "crowded"; readonly presses: number };

/** What a second look at the sounds shows. What mends it is asked for apart, for it depends on the plan. */
export type ToneFinding = Finding<Facts, never>;

export const TONE_FIXING: Fixing<never> = { code: () => null, join: (fix) => fix };

/** A step in level from one section to the next that is told, dB. Ours, no source. */
const LOUD_STEP = 6;
/** How long echoes ring on at least, ms: they are cut when a change comes sooner. Ours, no source. */
const TAIL_MS = 1000;

/** What should be looked at in a plan, in the order of the song. */
export function toneFindings(song: SongTones, plan: TonePlan | null): ToneFinding[] {
  const { box, soundUses, settings } = song;
  const common = { playerIds: [song.player.id], fixes: [] };
  const whole = { ...common, useId: null, label: "" };
  const placed = ({ span }: SoundUse) => ({ ...common, useId: span.use.id, label: span.label });
  const findings: ToneFinding[] = [];
  const byUse = new Map(soundUses.map((soundUse) => [soundUse.span.use.id, soundUse]));
  const cut: { readonly label: string; readonly sound: string }[] = [];
  if (box.kind === "banks")
    for (const [at, step] of (plan?.steps ?? []).entries()) {
      const into = byUse.get(step.section);
      if (!into) continue;
      const wrongSlot = step.presses.length > (step.armFrom === null ? 1 : 2);
      if (step.exposed)
        findings.push({
          ...placed(into),
          id: `heard ${step.section}`,
          kind: "exposed",
          section: step.section,
          restMs: into.rest.ms,
          wrongSlot,
        });
      const before = plan!.steps[at - 1];
      const from = before && byUse.get(before.section)?.sound;
      const sounds = from ? settings.get(from) : undefined;
      const changes = before && (before.bank !== step.bank || before.slot !== step.slot);
      if (changes && !box.tails && sounds && hasTails(sounds) && into.rest.ms < TAIL_MS)
        cut.push({ label: into.span.label, sound: from! });
    }
  else {
    const { plan: pedals, missing, turned } = songPedals(song);
    for (const effect of missing)
      findings.push({ ...whole, id: `no pedal ${effect}`, kind: "no-pedal", effect });
    for (const { label, effects } of turned)
      findings.push({ ...whole, label, id: `turned ${label} ${effects.join(" ")}`, kind: "turned", effects });
    for (const id of pedals.crowded) {
      const { press } = pedals.boundaries.find(({ before }) => before === id)!;
      findings.push({
        ...placed(byUse.get(id)!),
        id: `crowded ${id}`,
        kind: "crowded",
        presses: press.length,
      });
    }
  }
  const once = (words: readonly string[]): string[] => [...new Set(words)];
  if (cut.length > 0) {
    const labels = once(cut.map(({ label }) => label));
    findings.push({
      ...whole,
      id: "tails",
      kind: "tails",
      labels,
      sounds: once(cut.map(({ sound }) => sound)),
    });
  }
  for (const timed of timedSettings(song))
    if (timed.tooLong)
      findings.push({
        ...whole,
        id: `delay ${timed.sound} ${timed.tempo.bpm}`,
        kind: "delay-too-long",
        timed,
      });
  const named = [
    ...new Set(soundUses.flatMap(({ sound }) => (sound !== null && settings.has(sound) ? [sound] : []))),
  ];
  for (const sounds of gatherAlike(named, settings))
    findings.push({
      ...whole,
      id: `alike ${sounds.join(" ")}`.slice(0, LONGEST_FINDING),
      kind: "alike",
      sounds,
      isPlain: areAlike(settings.get(sounds[0]!)!, PLAIN_SETTINGS),
    });
  for (const [at, into] of soundUses.entries()) {
    const [now, before] = [settings.get(into.sound ?? ""), settings.get(soundUses[at - 1]?.sound ?? "")];
    if (!now || !before) continue;
    const by = loudness(now) - loudness(before);
    if (by >= LOUD_STEP && !isOn(now, "boost"))
      findings.push({ ...placed(into), id: `louder ${into.span.use.id}`, kind: "louder", by });
  }
  return findings;
}

/** A finding that is let stand is kept under its id. */
const LONGEST_FINDING = 200;

/** Sounds that are heard as the same, together; one that is like no other is left out. */
function gatherAlike(
  names: readonly string[],
  settings: ReadonlyMap<string, Settings>,
): readonly (readonly string[])[] {
  const groups: string[][] = [];
  for (const name of names) {
    const group = groups.find(([first]) => areAlike(settings.get(first!)!, settings.get(name)!));
    if (group) group.push(name);
    else groups.push([name]);
  }
  return groups.filter((group) => group.length > 1);
}

/** A finding in a sentence: what, where, and what to do. @param places where, by name, if it is told of several at once */
export function describeToneFinding(
  finding: ToneFinding,
  gapMs: number,
  places: readonly string[] = [finding.label],
): string {
  const where = places.join(", ");
  switch (finding.kind) {
    case "exposed": {
      const rest = Math.round(finding.restMs);
      return finding.wrongSlot
        ? `Into ${where} the bank opens on another slot first: the wrong sound is heard until the second press.`
        : `Into ${where} the change is heard: the box is silent for ${gapMs} ms, and the rest is ${rest} ms.`;
    }
    case "tails":
      return `The echoes of ${finding.sounds.map((sound) => `“${sound}”`).join(", ")} are cut off at the change into ${finding.labels.join(", ")}: the box keeps no tails. Take delay and reverb down before the change, or let them be cut on purpose.`;
    case "delay-too-long": {
      const { sound, ms, tooLong, tempo, note } = finding.timed;
      const said =
        note === null
          ? `${Math.round(ms)} ms`
          : `a ${describeNote(note)} (${Math.round(ms)} ms at ${tempo.bpm})`;
      const instead =
        tooLong!.instead === null
          ? "no usual note value is short enough: set it by ms, or play without."
          : `the longest it can give here is a ${describeNote(tooLong!.instead)}.`;
      return `The delay of “${sound}” is ${said}, and the box gives at most ${tooLong!.mostMs} ms: ${instead}`;
    }
    case "alike":
      return finding.isPlain
        ? `Nobody has described ${describeList(finding.sounds.map((name) => `“${name}”`))} yet: until then they sound the same.`
        : `${describeList(finding.sounds.map((name) => `“${name}”`))} are set alike: let sections share one, and ${finding.sounds.length === 2 ? "a slot is" : "slots are"} free.`;
    case "louder":
      return `${where} is ${finding.by} dB louder than what comes before: set levels with everybody playing, and mind the ears.`;
    case "no-pedal":
      return `A sound has ${finding.effect} on, and no pedal switches it: give the box one, or play the two-string substitute.`;
    case "turned":
      return `In ${where} ${finding.effects.join(" and ")} would have to be set otherwise by hand: a single pedal has no memory.`;
    case "crowded":
      return `Into ${where} there are ${finding.presses} presses at once: let sounds share pedals, or press some of them earlier.`;
  }
}
