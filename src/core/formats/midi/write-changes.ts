import { type MidiEvent, writeMidi } from "midi-file";
import { TICKS_PER_QUARTER, tempoMs } from "../../rhythm";
import type { Timeline } from "../../song/read";
import type { TimedMessage } from "../../sounds";

const utf8 = new TextEncoder();
/** Text in a MIDI file is one byte a character: UTF-8 is written byte by byte. */
const bytesAsText = (text: string): string => String.fromCharCode(...utf8.encode(text));

/**
 * Program and control changes on a song's timeline as a Standard MIDI File: format 0, 960 ticks a quarter, with tempo and
 * metre, and nothing that sounds.
 * @param name the name of the track
 */
export function writeChanges(
  name: string,
  timeline: Pick<Timeline, "passages" | "ticks">,
  messages: readonly TimedMessage[],
): Uint8Array {
  const placed: {
    readonly tick: number;
    readonly rank: number;
    readonly event: Omit<MidiEvent, "deltaTime">;
  }[] = [{ tick: 0, rank: 0, event: { meta: true, type: "trackName", text: bytesAsText(name) } as never }];
  let [lastTempo, lastMeter] = [0, ""];
  for (const { tick, tempo, meter } of timeline.passages) {
    const microseconds = Math.round(tempoMs(TICKS_PER_QUARTER, tempo) * 1000);
    if (microseconds !== lastTempo)
      placed.push({
        tick,
        rank: 1,
        event: { meta: true, type: "setTempo", microsecondsPerBeat: microseconds } as never,
      });
    const said = `${meter.beats}/${meter.unit}`;
    if (said !== lastMeter)
      placed.push({
        tick,
        rank: 2,
        event: {
          meta: true,
          type: "timeSignature",
          numerator: meter.beats,
          denominator: meter.unit,
          metronome: 24,
          thirtyseconds: 8,
        } as never,
      });
    [lastTempo, lastMeter] = [microseconds, said];
  }
  for (const { tick, bytes } of messages) placed.push({ tick, rank: 3, event: eventOf(bytes) });
  placed.sort((a, b) => a.tick - b.tick || a.rank - b.rank);
  let at = 0;
  const track = placed.map(({ tick, event }) => {
    const deltaTime = tick - at;
    at = tick;
    return { ...event, deltaTime } as MidiEvent;
  });
  const rest = Math.max(0, timeline.ticks - at);
  track.push({ deltaTime: rest, meta: true, type: "endOfTrack" } as MidiEvent);
  return Uint8Array.from(
    writeMidi({ header: { format: 0, numTracks: 1, ticksPerBeat: TICKS_PER_QUARTER }, tracks: [track] }),
  );
}

function eventOf([status = 0, first = 0, second = 0]: readonly number[]): Omit<MidiEvent, "deltaTime"> {
  const channel = status & 0x0f;
  switch (status & 0xf0) {
    case 0xc0:
      return { type: "programChange", channel, programNumber: first } as never;
    case 0xb0:
      return { type: "controller", channel, controllerType: first, value: second } as never;
    default:
      throw new Error(`Expected a program or control change, got ${status.toString(16)}.`);
  }
}
