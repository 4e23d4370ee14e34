import { createStore } from "zustand/vanilla";
import { lengthOf, SimpleTones, type Sound, Sounder, type SoundScore } from "@/performance/sound";

/** What is heard in this window. */
type Hearing = {
  /** What sounds, by the name of its button; null in silence. */
  readonly playing: string | null;
  /** When it began to be heard, by the page's clock, ms; null before. */
  readonly since: number | null;
  /** What is wrong with the sound, in a sentence, and the button it was pressed by; null where nothing is. */
  readonly problem: { readonly by: string; readonly text: string } | null;
};

export const hearing = createStore<Hearing>(() => ({ playing: null, since: null, problem: null }));

const SIMPLE =
  "The sounds of the band did not load: simple tones stand in. Load the page again to try once more.";
const NONE =
  "Nothing can be heard here: this browser has no sound, or no loudspeaker. Everything else goes on.";
/** What was to be heard can't be told: the sound itself is well. */
class Unheard extends Error {
  constructor() {
    super("There is nothing to hear here yet: no chord, line or beat sounds.");
  }
}

/** What was struck last rings so long, ms. */
const TAIL_MS = 500;

let opened: Promise<Sound> | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
/** Counts what was asked to be heard: what was asked before something else does not begin late. */
let asked = 0;
/** What is to be done where what sounds, or is about to, is ended. */
let onEnd: (() => void) | null = null;

/** Opens the sound of this window once; simple tones stand in for a bank that does not load. */
const open = (by: string): Promise<Sound> =>
  Sounder.open().catch(() => {
    hearing.setState({ problem: { by, text: SIMPLE } });
    return new SimpleTones();
  });

/** Says from the press to the first sound how long it took: it can be read in the browser's own tools. */
const measured = (from: number) => () => {
  performance.measure("hear", { start: from, end: performance.now() });
};

/**
 * Begins something in place of what sounds. One thing sounds at a time.
 * @param name of its button
 * @param start lets it sound
 * @param ended it is over: it could not begin, or something else came in its place
 */
export async function begin<Begun>(
  name: string,
  start: (sound: Sound, onHeard: () => void) => Promise<Begun>,
  ended: () => void = () => {},
): Promise<Begun | null> {
  const from = performance.now();
  hush();
  const mine = ++asked;
  hearing.setState({ playing: name });
  onEnd = ended;
  opened ??= open(name);
  try {
    const sound = await opened;
    if (mine !== asked) return null;
    const begun = await start(sound, measured(from));
    return mine === asked ? begun : null;
  } catch (error) {
    if (!(error instanceof Unheard)) opened = null;
    if (mine !== asked) return null;
    onEnd = null;
    const text = error instanceof Unheard ? error.message : NONE;
    hearing.setState({ playing: null, since: null, problem: { by: name, text } });
    ended();
    return null;
  }
}

/**
 * Lets a score be heard in place of what sounds; asked for again while it sounds, it stops.
 * @param make makes it, or says that there is nothing to hear
 */
export async function hear(
  name: string,
  make: () => SoundScore | null | Promise<SoundScore | null>,
): Promise<void> {
  if (hearing.getState().playing === name) return hush();
  const heard = await begin(name, async (sound, onHeard) => {
    const score = await make();
    if (!score) throw new Unheard();
    return { since: await sound.play(score, onHeard), ms: lengthOf(score) };
  });
  if (!heard) return;
  hearing.setState({ since: heard.since });
  timer = setTimeout(hush, heard.ms + TAIL_MS);
}

/** Ends what sounds. */
export function hush(): void {
  asked++;
  clearTimeout(timer);
  const ended = onEnd;
  onEnd = null;
  if (hearing.getState().playing !== null) void opened?.then((sound) => sound.stop()).catch(() => {});
  hearing.setState({ playing: null, since: null });
  ended?.();
}
