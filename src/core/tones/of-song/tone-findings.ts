import { sayNote } from "../delay";
import type { TonePlan } from "../plan";
import { areAlike, hasTails, isOn, loudness } from "../sounds";
import { songPedals } from "./song-pedals";
import type { SongTones, ToneStretch } from "./song-tones";
import { type TimedSetting, timedSettings } from "./timed";

/** What a second look at the sounds shows. */
export type ToneFinding = { readonly id: string } & (
  | { readonly code: "exposed"; readonly into: ToneStretch; readonly wrongSlot: boolean }
  | { readonly code: "tails"; readonly labels: readonly string[]; readonly sounds: readonly string[] }
  | { readonly code: "delay-too-long"; readonly timed: TimedSetting }
  | { readonly code: "alike"; readonly a: string; readonly b: string }
  | { readonly code: "louder"; readonly into: ToneStretch; readonly by: number }
  | { readonly code: "no-pedal"; readonly effect: string }
  | { readonly code: "turned"; readonly label: string; readonly effects: readonly string[] }
  | { readonly code: "crowded"; readonly label: string; readonly presses: number }
);

/** A step in level from one section to the next that is told, dB. Ours, no source. */
const LOUD_STEP = 6;
/** How long echoes ring on at least, ms: they are cut when a change comes sooner. Ours, no source. */
const TAIL_MS = 1000;

/** What should be looked at in a plan, in the order of the song. */
export function toneFindings(song: SongTones, plan: TonePlan | null): ToneFinding[] {
  const { box, stretches, settings } = song;
  const findings: ToneFinding[] = [];
  const byUse = new Map(stretches.map((stretch) => [stretch.span.use.id, stretch]));
  const cut: { readonly label: string; readonly sound: string }[] = [];
  if (box.kind === "banks")
    for (const [at, step] of (plan?.steps ?? []).entries()) {
      const into = byUse.get(step.section);
      if (!into) continue;
      const wrongSlot = step.presses.length > (step.armFrom === null ? 1 : 2);
      if (step.exposed) findings.push({ id: `heard ${step.section}`, code: "exposed", into, wrongSlot });
      const before = plan!.steps[at - 1];
      const from = before && byUse.get(before.section)?.sound;
      const sounds = from ? settings.get(from) : undefined;
      const changes = before && (before.bank !== step.bank || before.slot !== step.slot);
      if (changes && !box.tails && sounds && hasTails(sounds) && into.rest.ms < TAIL_MS)
        cut.push({ label: into.span.label, sound: from! });
    }
  else {
    const { plan: pedals, missing, turned } = songPedals(song);
    for (const effect of missing) findings.push({ id: `no pedal ${effect}`, code: "no-pedal", effect });
    for (const { label, effects } of turned)
      findings.push({ id: `turned ${label} ${effects.join(" ")}`, code: "turned", label, effects });
    for (const id of pedals.crowded) {
      const { press } = pedals.boundaries.find(({ before }) => before === id)!;
      const label = byUse.get(id)!.span.label;
      findings.push({ id: `crowded ${id}`, code: "crowded", label, presses: press.length });
    }
  }
  const once = (words: readonly string[]): string[] => [...new Set(words)];
  if (cut.length > 0) {
    const labels = once(cut.map(({ label }) => label));
    findings.push({ id: "tails", code: "tails", labels, sounds: once(cut.map(({ sound }) => sound)) });
  }
  for (const timed of timedSettings(song))
    if (timed.tooLong)
      findings.push({ id: `delay ${timed.sound} ${timed.tempo.bpm}`, code: "delay-too-long", timed });
  const named = [
    ...new Set(stretches.flatMap(({ sound }) => (sound !== null && settings.has(sound) ? [sound] : []))),
  ];
  for (const [at, a] of named.entries())
    for (const b of named.slice(at + 1))
      if (areAlike(settings.get(a)!, settings.get(b)!))
        findings.push({ id: `alike ${a} ${b}`, code: "alike", a, b });
  for (const [at, into] of stretches.entries()) {
    const [now, before] = [settings.get(into.sound ?? ""), settings.get(stretches[at - 1]?.sound ?? "")];
    if (!now || !before) continue;
    const by = loudness(now) - loudness(before);
    if (by >= LOUD_STEP && !isOn(now, "boost"))
      findings.push({ id: `louder ${into.span.use.id}`, code: "louder", into, by });
  }
  return findings;
}

/** A finding in a sentence: what, where, and what to do. */
export function sayToneFinding(finding: ToneFinding, gapMs: number): string {
  switch (finding.code) {
    case "exposed": {
      const rest = Math.round(finding.into.rest.ms);
      const label = finding.into.span.label;
      return finding.wrongSlot
        ? `Into ${label} the bank opens on another slot first: the wrong sound is heard until the second press.`
        : `Into ${label} the change is heard: the box is silent for ${gapMs} ms, and the rest is ${rest} ms.`;
    }
    case "tails":
      return `The echoes of ${finding.sounds.map((sound) => `“${sound}”`).join(", ")} are cut off at the change into ${finding.labels.join(", ")}: the box keeps no tails. Take delay and reverb down before the change, or let them be cut on purpose.`;
    case "delay-too-long": {
      const { sound, ms, tooLong, tempo, note } = finding.timed;
      const said =
        note === null ? `${Math.round(ms)} ms` : `a ${sayNote(note)} (${Math.round(ms)} ms at ${tempo.bpm})`;
      const instead =
        tooLong!.instead === null
          ? "no usual note value is short enough: set it by ms, or play without."
          : `the longest it can give here is a ${sayNote(tooLong!.instead)}.`;
      return `The delay of “${sound}” is ${said}, and the box gives at most ${tooLong!.mostMs} ms: ${instead}`;
    }
    case "alike":
      return `“${finding.a}” and “${finding.b}” are set alike: let sections share one, and a slot is free.`;
    case "louder":
      return `${finding.into.span.label} is ${finding.by} dB louder than what comes before: set levels with everybody playing, and mind the ears.`;
    case "no-pedal":
      return `A sound has ${finding.effect} on, and no pedal switches it: give the box one, or play the two-string substitute.`;
    case "turned":
      return `In ${finding.label} ${finding.effects.join(" and ")} would have to be set otherwise by hand: a single pedal has no memory.`;
    case "crowded":
      return `Into ${finding.label} there are ${finding.presses} presses at once: let sounds share pedals, or press some of them earlier.`;
  }
}
