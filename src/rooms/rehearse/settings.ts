import { CLICKS, type Click, type HeardPart, SPEEDS } from "@/core/practice";
import { type Mix, type PartVoice, VOICES } from "@/performance/sound";

/** How one part is heard. */
export type PartWay = {
  readonly on: boolean;
  readonly alone: boolean;
  readonly loudness: Loudness;
  readonly side: Side;
  /** Null is the voice its player usually has. */
  readonly voice: PartVoice | null;
};

export const LOUDNESSES = ["softer", "as played", "louder"] as const;
type Loudness = (typeof LOUDNESSES)[number];
export const SIDES = ["left", "middle", "right"] as const;
type Side = (typeof SIDES)[number];

/** How a song is gone through in this window. */
export type Way = {
  /** Whose sheet runs with the sound; null is the first player's. */
  readonly reader: string | null;
  /** Bar lines the stretch lies between, by number; null is the whole song. */
  readonly stretch: { readonly from: number; readonly to: number } | null;
  readonly speed: number;
  readonly countBars: number;
  readonly gapBars: number;
  readonly circles: boolean;
  readonly click: Click;
  readonly parts: Readonly<Record<string, PartWay>>;
};

const PLAIN_PART: PartWay = Object.freeze({
  on: true,
  alone: false,
  loudness: "as played",
  side: "middle",
  voice: null,
});

export const PLAIN_WAY: Way = Object.freeze({
  reader: null,
  stretch: null,
  speed: 1,
  countBars: 1,
  gapBars: 0,
  circles: false,
  click: "none",
  parts: Object.freeze({}),
});

const GAIN: Readonly<Record<Loudness, number>> = Object.freeze({ softer: 0.5, "as played": 1, louder: 1.6 });
const PAN: Readonly<Record<Side, number>> = Object.freeze({ left: -0.8, middle: 0, right: 0.8 });

export const wayOf = ({ parts }: Pick<Way, "parts">, id: string): PartWay => parts[id] ?? PLAIN_PART;

/** Whether a part is heard: it is on, and where some are alone it is one of them. */
export function isHeard(way: Way, parts: readonly HeardPart[], id: string): boolean {
  const { on, alone } = wayOf(way, id);
  const isAnyAlone = parts.some(({ player }) => wayOf(way, player.id).alone);
  return isAnyAlone ? alone : on;
}

/** How loud each part is and where it stands, the click last. */
export const mixOf = (way: Way, parts: readonly HeardPart[]): Mix => [
  ...parts.map(({ player: { id } }) => {
    const { loudness, side } = wayOf(way, id);
    return { gain: isHeard(way, parts, id) ? GAIN[loudness] : 0, pan: PAN[side] };
  }),
  { gain: 1, pan: 0 },
];

const KEPT_AS = "shared-lantern rehearse";

const isVoice = (value: unknown): value is PartVoice =>
  typeof value === "string" && (value in VOICES || ["kit", "box"].includes(value));

const oneOf = <One>(known: readonly One[], value: unknown, usual: One): One =>
  known.find((one) => one === value) ?? usual;

function readPart(kept: unknown): PartWay {
  const { on, alone, loudness, side, voice } = (
    typeof kept === "object" && kept !== null ? kept : {}
  ) as Readonly<Record<string, unknown>>;
  return {
    on: on !== false,
    alone: alone === true,
    loudness: oneOf(LOUDNESSES, loudness, "as played"),
    side: oneOf(SIDES, side, "middle"),
    voice: isVoice(voice) ? voice : null,
  };
}

const whole = (value: unknown, most: number, usual: number): number =>
  typeof value === "number" && Number.isInteger(value) && value >= 0 && value <= most ? value : usual;

/** What this window kept of a song, as far as it can be read. */
export function readWay(kept: unknown): Way {
  if (typeof kept !== "object" || kept === null) return PLAIN_WAY;
  const { reader, stretch, speed, countBars, gapBars, circles, click, parts } = kept as Readonly<
    Record<string, unknown>
  >;
  const { from, to } = (typeof stretch === "object" && stretch !== null ? stretch : {}) as Readonly<
    Record<string, unknown>
  >;
  const isStretch = typeof from === "number" && typeof to === "number" && from >= 0 && from < to;
  return {
    reader: typeof reader === "string" ? reader : null,
    stretch: isStretch ? { from: Math.floor(from), to: Math.floor(to) } : null,
    speed: typeof speed === "number" && speed >= SPEEDS.least && speed <= SPEEDS.most ? speed : 1,
    countBars: whole(countBars, 2, 1),
    gapBars: whole(gapBars, 4, 0),
    circles: circles === true,
    click: oneOf(CLICKS, click, "none"),
    parts: Object.fromEntries(
      Object.entries(typeof parts === "object" && parts !== null ? parts : {}).map(([id, part]) => [
        id,
        readPart(part),
      ]),
    ),
  };
}

export function loadWay(versionId: string): Way {
  try {
    const kept = sessionStorage.getItem(`${KEPT_AS} ${versionId}`);
    return kept === null ? PLAIN_WAY : readWay(JSON.parse(kept));
  } catch {
    return PLAIN_WAY;
  }
}

export function saveWay(versionId: string, way: Way): void {
  try {
    sessionStorage.setItem(`${KEPT_AS} ${versionId}`, JSON.stringify(way));
  } catch {
    // A window that may keep nothing begins anew when it is loaded again.
  }
}
