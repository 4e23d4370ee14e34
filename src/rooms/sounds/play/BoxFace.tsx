import {
  bankNumber,
  describeAct,
  describeSlot,
  describeSound,
  pressesBack,
  type SongTones,
  soundOf,
  type TonePlan,
} from "@/core/sounds";
import type { Way } from "@/performance/runner";
import type { ToneRunView } from "./run-view";

/** What the simulated box shows: the sound it stands on and what of it is on, the armed bank, the gap. */
export function BoxFace({
  song,
  plan,
  view,
  running,
}: {
  song: SongTones;
  plan: TonePlan;
  view: ToneRunView | null;
  running: Way | null;
}) {
  const { box } = song;
  const state = view?.box ?? null;
  const first = plan.steps[0];
  const place = state ?? first ?? { bank: 0, slot: 0 };
  const soundUse = view && view.soundUse >= 0 ? song.soundUses[view.soundUse] : null;
  if (box.kind === "pedals")
    return (
      <Face silent={false}>
        <strong className="text-2xl">
          {state && state.on.length > 0 ? state.on.join(", ") : "everything off"}
        </strong>
        {soundUse?.sound && running !== "free" && (
          <span className="block text-sm">
            {soundUse.span.label} is played on “{soundUse.sound}”
          </span>
        )}
      </Face>
    );
  const sound = soundOf(place, plan.banks);
  const settings = song.settings.get(sound ?? "");
  const wanted = soundUse && plan.steps.find(({ section }) => section === soundUse.span.use.id);
  const back =
    state &&
    running === "feet" &&
    wanted &&
    view!.seconds > song.clock.secondsAt(soundUse.heard[0]!.from) + 0.3
      ? pressesBack(state, wanted, box, plan.banks)
      : [];
  return (
    <>
      <Face silent={view?.isSilent ?? false}>
        <strong className="text-2xl">{sound ?? "an empty slot"}</strong>
        <span className="ml-3">{describeSlot(place, box)}</span>
        {state?.armed !== undefined && state?.armed !== null && (
          <span className="ml-3 font-bold">bank {bankNumber(box, state.armed)} is armed</span>
        )}
        <span className="block text-sm">
          {view?.isSilent
            ? "silent: the bank is changing"
            : settings
              ? describeSound(settings)
              : "not described"}
        </span>
      </Face>
      <p className="mb-3 min-h-6" aria-live="polite">
        {back.length > 0 && (
          <>
            Not as planned. Now: <strong>{back.map((act) => describeAct(act, box)).join(", ")}</strong>
          </>
        )}
      </p>
    </>
  );
}

const Face = ({ silent, children }: { silent: boolean; children: React.ReactNode }) => (
  <div
    className={`mb-2 max-w-2xl border-y-4 py-3 ${silent ? "border-dashed border-base-content/50 text-base-content/70" : "border-primary"}`}
    data-silent={silent}
  >
    {children}
  </div>
);
