import { NO_MIDI, type Pedals } from "../../trainer";

/** Asks for MIDI pedals, and says how many of the box's have been learned. */
export function MidiPedals({ midi, pedals }: { midi: Pedals["midi"]; pedals: number }) {
  return (
    <>
      <button type="button" className="btn btn-sm" disabled={midi.state === "on"} onClick={midi.start}>
        Use MIDI pedals
      </button>
      <span className="self-center text-sm">
        {midi.state === "on"
          ? `Press your pedals once each, in the order of the buttons: ${midi.learned} of ${pedals} known.`
          : NO_MIDI[midi.state]}
      </span>
    </>
  );
}
