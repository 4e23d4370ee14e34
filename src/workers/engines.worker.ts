import { expose, transfer } from "comlink";
import { type Result, sure } from "@/base";
import { type Chord, parseChord } from "@/core/chord";
import {
  type CapoOption,
  capoTable,
  type Fingerings,
  fingerings,
  type HandEvent,
  type Planted,
  planted,
  type StandIn,
  standIns,
} from "@/core/fretboard";
import {
  eventsOf,
  type HeardLayer,
  heardLayers,
  type LoopCase,
  type LoopPlan,
  type LoopProblem,
  type LoopWay,
  loopPitches,
  mixEvents,
  planLoops,
  type SongLoops,
  sectionBeats,
  wavOf,
} from "@/core/loops";
import {
  bandSheet,
  behindCapo,
  type ChordSum,
  type HandRequest,
  listChanges,
  type Mend,
  mendSum,
  optionsOf,
  type PlanRequest,
  type Proposal,
  planShapes,
  SCHOOLS,
  type ShapePlan,
  type ShapeRequest,
  type SplitCase,
  splitBy,
  sumOfBand,
} from "@/core/parts";
import { formatKey, parseKey, parseTuning } from "@/core/pitch";
import { namerByShift } from "@/core/song/read";
import type { Player, SoundBox, VersionBody } from "@/core/song/schema";
import {
  type EveningBanks,
  eveningBanks,
  type OfferQuestion,
  planTones,
  playerTones,
  priceOffers,
  type ToneCase,
  type ToneOffer,
  type TonePlan,
  type ToneProblem,
} from "@/core/tones";

export type CapoRequest = {
  readonly key: string;
  readonly chords: readonly { readonly symbol: string; readonly beats: number }[];
  readonly tuning: readonly string[];
  readonly level: ShapeRequest["level"];
  readonly scaleMm: number;
  readonly maxCapo?: number;
};

export type CapoRow = Omit<CapoOption, "shapeKey"> & { readonly shapeKey: string };

export type StandInRequest = ShapeRequest & { readonly key: string };

export type PlantedRequest = {
  readonly hand: HandRequest;
  readonly capos: readonly number[];
  readonly allow: readonly NonNullable<ReturnType<typeof optionsOf>["allow"]>[number][];
  readonly changes: readonly { readonly symbol: string; readonly beats: number }[];
  readonly beatMs: number;
};

export type BandSumRequest = {
  readonly body: VersionBody;
  readonly plans: ReadonlyMap<string, ShapePlan>;
  /** What goes round under it, where something does. */
  readonly loops: { readonly song: SongLoops; readonly way: LoopWay } | null;
};

export type MendRequest = { readonly body: VersionBody; readonly sum: ChordSum };

export type HardestRequest = { readonly request: PlanRequest; readonly capo: number };

/** The dearest change of a song behind one capo, by sounding symbols. */
export type HardestChange = { readonly from: string; readonly to: string; readonly cost: number };

/** Search steps for planted fingers in the interface: some seconds. */
const PLANTED_BUDGET = 200_000_000;

export type LoopSoundRequest = {
  readonly asked: LoopCase;
  readonly way: LoopWay;
  readonly layers: readonly HeardLayer[];
};

export type OffersRequest = {
  readonly asked: ToneCase;
  readonly plan: TonePlan;
  readonly section: string;
  readonly questions: readonly OfferQuestion[];
};

export type EveningRequest = {
  readonly songs: readonly {
    readonly title: string;
    readonly versionId: string;
    readonly body: VersionBody;
  }[];
  /** Whose box: players of versions are copies of one player of the band. */
  readonly player: Pick<Player, "name" | "bandPlayerId">;
  readonly box: SoundBox;
};

/** Search steps for each song of an evening. */
const EVENING_BUDGET = 10_000;

const SOUND_RATE = 44_100;

/** Search steps for a looper's plan in the interface: under a second. */
const LOOPS_BUDGET = 60_000_000;

const chordOf = (symbol: string): Chord | null => {
  const chord = parseChord(symbol);
  return chord.ok ? chord.value : null;
};

const engines = {
  fingerings: (request: ShapeRequest, limit: number): Fingerings => {
    const chord = chordOf(request.symbol);
    return chord
      ? fingerings(chord, { ...optionsOf(request), limit })
      : { fingerings: [], total: 0, exact: true };
  },
  capoTable: ({ key, chords, tuning, level, scaleMm, maxCapo = 9 }: CapoRequest): CapoRow[] => {
    const read = chords.flatMap(({ symbol, beats }) => {
      const chord = chordOf(symbol);
      return chord ? [{ chord, beats }] : [];
    });
    const options = { tuning: sure(parseTuning(tuning)), level, scaleMm, maxCapo };
    return capoTable(sure(parseKey(key)), read, options).map((row) => ({
      ...row,
      shapeKey: formatKey(row.shapeKey),
    }));
  },
  planShapes: (request: PlanRequest): ShapePlan => planShapes(request),
  hardestChange: ({ request, capo }: HardestRequest): HardestChange | null => {
    const [hardest] = listChanges(planShapes(behindCapo(request, capo)));
    return hardest ? { from: hardest.from.symbol, to: hardest.to.symbol, cost: hardest.cost } : null;
  },
  standIns: (request: StandInRequest): StandIn[] => {
    const chord = chordOf(request.symbol);
    return chord ? standIns(chord, sure(parseKey(request.key)), optionsOf(request)) : [];
  },
  split: (split: SplitCase, onProgress: (done: number, of: number) => void): Proposal[] =>
    SCHOOLS.map((school, at) => {
      onProgress(at, SCHOOLS.length);
      return splitBy(split, school);
    }),
  bandSum: ({ body, plans, loops }: BandSumRequest): ChordSum[] =>
    sumOfBand(
      body,
      bandSheet(body),
      plans,
      loops ? loopPitches(loops.song, loops.way, heardLayers(body, loops.song)) : undefined,
    ),
  mend: ({ body, sum }: MendRequest): Mend | null => {
    const row = bandSheet(body).rows.find((one) => one.use.id === sum.useId);
    return row ? mendSum(row, sum, namerByShift(body)(row.passage.shift).key) : null;
  },
  loops: (asked: LoopCase, trade: boolean): Result<LoopPlan, LoopProblem> =>
    planLoops({ ...asked, budget: LOOPS_BUDGET }, { trade }),
  tones: (asked: ToneCase): Result<TonePlan, ToneProblem> => planTones(asked),
  toneOffers: ({ asked, plan, section, questions }: OffersRequest): ToneOffer[] =>
    priceOffers(asked, plan, section, questions),
  eveningBanks: ({ songs, player, box }: EveningRequest): EveningBanks =>
    eveningBanks(
      songs.flatMap(({ title, versionId, body }) => {
        const players = Object.values(body.players);
        const own =
          players.find((one) => player.bandPlayerId !== null && one.bandPlayerId === player.bandPlayerId) ??
          players.find(({ name }) => name === player.name);
        const tones = own && playerTones(body, own.id, EVENING_BUDGET);
        return tones?.plan ? [{ title, versionId, song: tones.song, plan: tones.plan }] : [];
      }),
      box,
    ),
  /** A plan as a sound file. */
  loopSound: ({ asked, way, layers }: LoopSoundRequest): Uint8Array => {
    const seconds = (sectionBeats(asked).at(-1)! * 60) / asked.tempo;
    const bytes = wavOf(mixEvents(eventsOf(asked, way, layers), seconds + 1, SOUND_RATE), SOUND_RATE);
    return transfer(bytes, [bytes.buffer]);
  },
  planted: (request: PlantedRequest, onProgress: (done: number, of: number) => void): Planted | null => {
    const events = request.changes.flatMap(({ symbol, beats }): HandEvent[] => {
      const chord = chordOf(symbol);
      return chord ? [{ kind: "chord", chord, beats }] : [];
    });
    const { capo: _capo, ...options } = optionsOf(request.hand);
    const { capos, allow, beatMs } = request;
    const budget = PLANTED_BUDGET;
    const found = planted(events, { ...options, capos, allow, beatMs, budget, onProgress, gaps: "skip" });
    return found.ok ? found.value : null;
  },
};

export type Engines = typeof engines;

expose(engines);
