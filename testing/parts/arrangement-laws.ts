import { TECHNIQUES } from "@/core/song/read";

/** What is asked of the engine `arrange`, as JSON, as far as its laws go. */
export type Asked = {
  readonly arc?: "rising" | "steady" | "falling";
  readonly uses: readonly {
    readonly id: string;
    readonly section: string;
    readonly kind: string;
    readonly bars: number;
    readonly chords: readonly string[];
    readonly voice: object | null;
    readonly energy: number;
    readonly bass: "needed" | "free";
  }[];
  readonly players: readonly {
    readonly id: string;
    readonly instrument: string;
    readonly level: string;
    readonly range: readonly [string, string];
    readonly sings: boolean;
    readonly away?: boolean;
    readonly tuning?: readonly string[];
    readonly capo?: number;
  }[];
  readonly limits?: readonly Limit[];
};
export type Limit = {
  readonly player?: string;
  readonly use?: string;
  readonly rule: string;
  readonly value?: string | number;
};

/** A cell as the engine prints it. */
export type Cell = {
  readonly use: string;
  readonly player: string;
  readonly idea: string;
  readonly role: string;
  readonly technique: string | null;
  readonly strings: readonly number[];
  readonly low: string | null;
  readonly high: string | null;
  readonly onsets: readonly number[];
  readonly light: number;
  readonly entryBar: number;
  readonly needs: string;
  readonly double?: string;
};
export type Catalogue = readonly {
  readonly idea: string;
  readonly instrument: string;
  readonly needs: string;
  readonly singable: boolean;
}[];

const LEVELS = ["beginner", "steady", "fluent"];
const NAMES: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** A pitch such as "Bb3" as a MIDI number, read anew here. */
function midi(text: string): number {
  const [, letter, sign, octave] = /^([A-G])([#b]*)(-?\d+)$/.exec(text)!;
  const shift = [...sign!].reduce((sum, one) => sum + (one === "#" ? 1 : -1), 0);
  return NAMES[letter!]! + shift + 12 * (Number(octave) + 1);
}

const overlap = (a: Cell, b: Cell): number =>
  a.low === null || b.low === null
    ? 0
    : Math.max(0, Math.min(midi(a.high!), midi(b.high!)) - Math.max(midi(a.low), midi(b.low)));
const middle = (cell: Cell): number => (midi(cell.low!) + midi(cell.high!)) / 2;
const out = ({ idea }: Cell): boolean => idea === "out";
const sweeps = (cell: Cell): boolean =>
  Object.entries(TECHNIQUES).some(([id, technique]) => id === cell.technique && "sweeps" in technique);

/**
 * The numbers of the laws that cells break, with where: written from the contract, apart from the program's own, and slower.
 */
export function brokenLaws(asked: Asked, cells: readonly Cell[], catalogue: Catalogue): Set<string> {
  const broken = new Set<string>();
  const at = (use: string, player: string) => cells.find((one) => one.use === use && one.player === player)!;
  const there = asked.players.filter(({ away }) => !away);
  for (const use of asked.uses) {
    const own = asked.players.map(({ id }) => at(use.id, id));
    const say = (law: number) => broken.add(`${law} ${use.id}`);
    const basses = own.filter(({ role }) => role === "bass");
    if (use.bass === "needed" && use.chords.length > 0 && !basses.some(({ entryBar }) => entryBar === 1))
      say(1);
    if (own.filter(({ role }) => role === "carry").length > 1) say(1);
    for (const [one, a] of own.entries()) {
      const player = asked.players[one]!;
      const idea = catalogue.find((row) => row.idea === a.idea && row.instrument === player.instrument);
      if (out(a)) {
        if (a.light !== 0 || a.onsets.length > 0 || a.strings.length > 0 || a.low !== null) say(1);
        continue;
      }
      if (player.away) say(2);
      if (!idea || a.light === 0) say(1);
      if (a.entryBar < 1 || a.entryBar > use.bars) say(1);
      if (LEVELS.indexOf(a.needs) > LEVELS.indexOf(player.level) || idea?.needs !== a.needs) say(8);
      if (a.low !== null && (midi(a.low) < midi(player.range[0]) || midi(a.high!) > midi(player.range[1])))
        say(8);
      if (player.sings && use.voice && !idea?.singable) say(8);
      for (const [later, b] of own.entries()) {
        if (later <= one || out(b) || a.double === b.player || b.double === a.player) continue;
        if (a.role === b.role && overlap(a, b) > 0 && a.onsets.join() === b.onsets.join()) say(1);
        const guitars = player.instrument === "guitar" && asked.players[later]!.instrument === "guitar";
        if (guitars && a.technique === b.technique && Math.abs(middle(a) - middle(b)) < 7) say(3);
        for (const [fingers, strum] of [
          [a, b],
          [b, a],
        ] as const)
          if (
            fingers.technique === "picking" &&
            sweeps(strum) &&
            2 * overlap(fingers, strum) > midi(fingers.high!) - midi(fingers.low!)
          )
            say(4);
      }
    }
  }
  const sum = (use: string) =>
    cells
      .filter((cell) => cell.use === use)
      .reduce((total, { light, onsets }) => total + light * onsets.length, 0);
  if ((asked.arc ?? "rising") === "rising") {
    for (let energy = 0; energy <= 4; energy++) {
      const verses = asked.uses.filter((use) => use.kind === "verse" && use.energy === energy);
      if (verses.length > 1 && !(sum(verses[0]!.id) < sum(verses.at(-1)!.id))) broken.add("5 verse");
    }
    const choruses = asked.uses.filter(({ kind }) => kind === "chorus").map(({ id }) => sum(id));
    if (choruses.length > 1 && choruses.slice(0, -1).some((one) => one >= choruses.at(-1)!))
      broken.add("5 chorus");
  }
  for (const section of new Set(asked.uses.map((use) => use.section))) {
    const rounds = asked.uses.filter((use) => use.section === section);
    const faces = rounds.map(({ id }) => asked.players.map((player) => at(id, player.id).idea));
    for (const [round, face] of faces.entries())
      if (
        round > 0 &&
        face.filter((idea, who) => idea === faces[round - 1]![who]).length < asked.players.length / 2
      )
        broken.add(`6 ${rounds[round]!.id}`);
    if (rounds.length >= 3 && asked.players.length >= 3 && new Set(faces.map(String)).size === 1)
      broken.add(`6 ${rounds.at(-1)!.id}`);
  }
  const guitars = there.filter(({ instrument }) => instrument === "guitar");
  const various =
    asked.arc !== "steady" &&
    there.length >= 3 &&
    there.every(({ level }) => level !== "beginner") &&
    new Set(asked.uses.map(({ section }) => section)).size >= 5 &&
    guitars.length >= 2;
  if (various) {
    for (const { id } of guitars)
      if (new Set(cells.filter((cell) => cell.player === id && !out(cell)).map(({ idea }) => idea)).size < 3)
        broken.add(`7 ${id}`);
    const waits = cells.some(
      (cell) => there.some(({ id }) => id === cell.player) && (out(cell) || cell.entryBar > 1),
    );
    if (!waits) broken.add("7");
  }
  return broken;
}

/** Whether cells hold a limit, by what a leader would say it means. */
export function holds({ player, use, rule, value }: Limit, asked: Asked, cells: readonly Cell[]): boolean {
  const named = (name: string) => {
    const by = (is: (one: Asked["uses"][number]) => boolean) => asked.uses.filter(is).map(({ id }) => id);
    const id = by((one) => one.id === name);
    const section = by((one) => one.section === name);
    return id.length > 0 ? id : section.length > 0 ? section : by(({ kind }) => kind === name);
  };
  const uses = use === undefined ? asked.uses.map(({ id }) => id) : named(use);
  const own = cells.filter((cell) => player === undefined || cell.player === player);
  const here = own.filter((cell) => uses.includes(cell.use));
  const first = asked.uses.findIndex(({ id }) => uses.includes(id));
  switch (rule) {
    case "lock":
      return here.every(({ idea }) => idea === value);
    case "not in":
      return here.every(out);
    case "only in":
      return own.every((cell) => out(cell) || uses.includes(cell.use));
    case "always":
      return here.every((cell) => !out(cell));
    case "carries":
      return here.every(({ role }) => role === "carry");
    case "at most":
      return here.every(({ light }) => light <= Number(value));
    default:
      return own.every(
        (cell) =>
          out(cell) ||
          (asked.uses.findIndex(({ id }) => id === cell.use) >= first &&
            (!uses.includes(cell.use) || typeof value !== "number" || cell.entryBar >= value)),
      );
  }
}
