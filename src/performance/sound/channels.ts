import type { VoiceName } from "./voices";
import { VOICES } from "./voices";

/** What a part sounds with: a voice of the bank, drums, or the click. */
export type PartVoice = VoiceName | "kit" | "box" | "click";

/** A channel of the synthesizer: the program it has (null for drums), and the part it sounds. */
export type SoundChannel = {
  readonly channel: number;
  readonly program: number | null;
  readonly part: number;
  /** The loudest it gets of what it is as it is played, where that is more: 1 is as loud. */
  readonly loudest?: number;
};

/** Where a part sounds: chords and keys, its line (which is bent), and damped strings have channels of their own. */
export type PartChannels = {
  readonly voice: PartVoice;
  readonly main: number;
  readonly line: number;
  readonly damped: number;
};

/** Of every sixteen channels this one is drums (General MIDI numbers it 10). */
const DRUMS = 9;
const isDrums = (channel: number): boolean => channel % 16 === DRUMS;

const HAS_NO_PITCH: ReadonlySet<PartVoice> = new Set(["kit", "box", "click"]);

/** Channels for parts, in their order; those of drums are shared by nobody. */
export function channelsFor(voices: readonly PartVoice[]): {
  readonly parts: readonly PartChannels[];
  readonly channels: readonly SoundChannel[];
} {
  const channels: SoundChannel[] = [];
  let pitched = 0;
  let drums = DRUMS;
  const take = (part: number, program: number): number => {
    if (isDrums(pitched)) pitched++;
    channels.push({ channel: pitched, program, part });
    return pitched++;
  };
  const parts = voices.map((voice, part): PartChannels => {
    if (HAS_NO_PITCH.has(voice)) {
      const channel = drums;
      drums += 16;
      channels.push({ channel, program: null, part });
      return { voice, main: channel, line: channel, damped: channel };
    }
    const { program } = VOICES[voice as VoiceName];
    return {
      voice,
      main: take(part, program),
      line: take(part, program),
      damped: take(part, VOICES.muted.program),
    };
  });
  return { parts, channels };
}
