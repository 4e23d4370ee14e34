import type { ReactNode } from "react";
import {
  type LiveItem,
  type Place,
  type StageFeet,
  type StageSheet,
  type TellFeet,
  tellFeetStrip,
} from "@/core/stage";
import type { StageLine } from "./stage-line";
import { type Feet, useFeet } from "./use-feet";

export { BuildSection } from "@/ui/BuildSection";

const FOOT_WORDS: Readonly<Record<TellFeet["foot"], string>> = { box: "box", looper: "looper" };

/** What this player's feet do next, from where their boxes really are, and where that is: one touch says otherwise. */
export function LiveFeet({
  line,
  item,
  place,
  stretch,
  boxes,
  sheet,
}: {
  line: StageLine;
  item: LiveItem;
  place: Place;
  stretch: number;
  boxes: StageFeet;
  sheet: StageSheet | undefined;
}) {
  const feet = useFeet(line, item, place, stretch, boxes);
  const { state, tell } = feet;
  const strip = tellFeetStrip(state.strip, boxes);
  const own = sheet?.feet.filter((press) => press.own) ?? [];
  return (
    <section aria-label="My feet" className="live-feet mt-1 border-t-4 border-primary pt-1">
      <ul aria-label="Presses" className="live-presses">
        {strip.map((told) => (
          <Told key={`${told.foot} ${told.kind}`} told={told} onDone={() => tell({ of: "mended" })} />
        ))}
        {own.map(({ text, place, words }) => (
          <li key={`${text} ${place}`}>
            <strong>{text}</strong> {place} {words}
          </li>
        ))}
        {strip.length === 0 && own.length === 0 && <li>nothing to press</li>}
      </ul>
      <div className="flex flex-wrap gap-x-6 gap-y-1">
        <WhereBoxIs boxes={boxes} feet={feet} />
        {boxes.pedals && (
          <Touches label="Pedals that are on">
            {boxes.pedals.effects.map((effect) => (
              <Touch
                key={effect}
                on={state.on.includes(effect)}
                onPress={() => tell({ of: "pedal", effect, on: !state.on.includes(effect) })}
              >
                {effect}
              </Touch>
            ))}
          </Touches>
        )}
        {boxes.looper && (
          <Touches label="Tracks that sound">
            {boxes.looper.names.map((name, track) => {
              const sounds = (state.sounding & (1 << track)) !== 0;
              return name === "" ? null : (
                <Touch
                  key={name}
                  on={sounds}
                  label={`track ${track + 1}, ${name}, ${sounds ? "sounds" : "is silent"}`}
                  onPress={() => tell({ of: "track", track, sounds: !sounds })}
                >
                  {track + 1} <span className="text-sm max-sm:hidden">{name}</span>
                </Touch>
              );
            })}
          </Touches>
        )}
      </div>
    </section>
  );
}

function Told({ told: { foot, kind, said, heard }, onDone }: { told: TellFeet; onDone: () => void }) {
  const isNow = kind === "mend";
  return (
    <li data-kind={kind}>
      {FOOT_WORDS[foot]}: {isNow && <b className="live-now">now</b>}{" "}
      {said.map(({ words, when }, at) => (
        <span key={at}>
          {at > 0 && ", "}
          <strong>{words}</strong>
          {when !== "" && ` ${when}`}
        </span>
      ))}
      {heard && <span className="text-base"> (it is heard)</span>}
      {isNow && (
        <button type="button" className="btn ml-3 min-h-11" onClick={onDone}>
          pressed
        </button>
      )}
    </li>
  );
}

function WhereBoxIs({ boxes: { box }, feet: { state, tell } }: { boxes: StageFeet; feet: Feet }) {
  if (!box || !state.box) return null;
  const { bank, slot, armed } = state.box;
  return (
    <>
      <Touches label={armed === null ? "bank" : `bank, ${box.firstBank + armed + 1} armed`}>
        {box.banks.map((_, index) => (
          <Touch
            key={index}
            on={index === bank}
            label={`I am in bank ${box.firstBank + index + 1}`}
            onPress={() => tell({ of: "bank", bank: index })}
          >
            {box.firstBank + index + 1}
          </Touch>
        ))}
      </Touches>
      <Touches label="slot">
        {Array.from({ length: box.board.slotsPerBank }, (_, index) => (
          <Touch
            key={index}
            on={index === slot}
            label={`I am on slot ${index + 1}`}
            onPress={() => tell({ of: "slot", slot: index })}
          >
            {index + 1}
          </Touch>
        ))}
      </Touches>
    </>
  );
}

const Touches = ({ label, children }: { label: string; children: ReactNode }) => (
  <fieldset className="flex items-center gap-1">
    <legend className="float-left mr-2 text-base">{label}</legend>
    {children}
  </fieldset>
);

const Touch = ({
  on,
  label,
  onPress,
  children,
}: {
  on: boolean;
  label?: string;
  onPress: () => void;
  children: ReactNode;
}) => (
  <button type="button" className="truth" aria-pressed={on} aria-label={label} onClick={onPress}>
    {children}
  </button>
);
