import { createStore } from "zustand/vanilla";
import { lengthOf, SimpleTones, type Sound, Sounder, type SoundScore } from "@/performance/sound";

/** What is heard in this window. */
type Hearing = {
  /** What sounds, by the name of its button; null in silence. */
  readonly playing: string | null;
  /** What is wrong with the sound, in a sentence, and the button it was pressed by; null where nothing is. */
  readonly problem: { readonly by: string; readonly text: string } | null;
};

export const hearing = createStore<Hearing>(() => ({ playing: null, problem: null }));

const SIMPLE =
  "The sounds of the band did not load: simple tones stand in. Load the page again to try once more.";
const NONE =
  "Nothing can be heard here: this browser has no sound, or no loudspeaker. Everything else goes on.";
/** What was struck last rings so long, ms. */
const TAIL_MS = 500;

let opened: Promise<Sound> | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
/** Counts what was asked to be heard: what was asked before something else does not begin late. */
let asked = 0;

/** Opens the sound of this window once; simple tones stand in for a bank that does not load. */
const open = (by: string): Promise<Sound> =>
  Sounder.open().catch(() => {
    hearing.setState({ problem: { by, text: SIMPLE } });
    return new SimpleTones();
  });

/**
 * Lets something be heard in place of what sounds; asked for again while it sounds, it stops.
 * @param name of its button
 */
export async function hear(name: string, score: SoundScore): Promise<void> {
  const from = performance.now();
  const wasPlaying = hearing.getState().playing === name;
  hush();
  if (wasPlaying) return;
  const mine = ++asked;
  hearing.setState({ playing: name });
  opened ??= open(name);
  try {
    const sound = await opened;
    if (mine !== asked) return;
    // How long it takes from the press to the first sound can be read in the browser's own tools.
    await sound.play(score, () => performance.measure("hear", { start: from, end: performance.now() }));
    if (mine !== asked) return;
    timer = setTimeout(hush, lengthOf(score) + TAIL_MS);
  } catch {
    opened = null;
    if (mine === asked) hearing.setState({ playing: null, problem: { by: name, text: NONE } });
  }
}

/** Ends what sounds. */
export function hush(): void {
  asked++;
  clearTimeout(timer);
  if (hearing.getState().playing !== null) void opened?.then((sound) => sound.stop()).catch(() => {});
  hearing.setState({ playing: null });
}
