import { useCallback, useEffect, useState } from "react";
import type { SheetView } from "@/core/song/schema";
import type { When } from "@/core/stage";
import { SHEET_WORDS } from "@/ui/pretty";

const SHOWS = ["", "sounding", "shapes", "degrees"] as const;
const WRITINGS = ["", "letters", "german", "syllables"] as const;
const ACCIDENTALS = ["", "key", "sharps", "flats"] as const;
const LINES = ["", "tab", "notes", "both"] as const;
const VIEWS = ["", ...(Object.keys(SHEET_WORDS) as SheetView[])] as const;
const DENSITIES = ["all", "chords", "cues"] as const;

/** How a stage looks on this device. */
export type StageSettings = {
  readonly density: (typeof DENSITIES)[number];
  /** Place in {@link SIZES}. */
  readonly size: number;
  readonly light: boolean;
  readonly hand: "right" | "left";
  readonly click: boolean;
  readonly leads: boolean;
  /** Whether a leader's pedals turn everybody's page. */
  readonly pedals: boolean;
  /** When a section comes that is called for while the clock runs. */
  readonly when: When;
  /** Two presses nearer than this are one, ms: place in {@link GATES}. */
  readonly gate: number;
  /** How names are told here; "" as the player reads. */
  readonly shows: (typeof SHOWS)[number];
  readonly writing: (typeof WRITINGS)[number];
  readonly accidentals: (typeof ACCIDENTALS)[number];
  readonly lines: (typeof LINES)[number];
  /** Which sheet is shown of a part with chords and a line; "" as its player has it. */
  readonly view: SheetView | "";
  /** Whether what is counted stands above tab. */
  readonly counts: boolean;
};

/** How much larger letters are at each size; the middle one is read from two metres on a small laptop. */
export const SIZES = [0.6, 0.8, 1, 1.3, 1.7] as const;

/** How near two presses may be and still count as one, ms: for a quick foot, usually, for a switch that bounces long. */
export const GATES = [200, 400, 800] as const;
const WHENS = ["end", "bar", "now"] as const satisfies readonly When[];

const PLAIN: StageSettings = {
  density: "all",
  size: 2,
  light: false,
  hand: "right",
  click: false,
  leads: false,
  pedals: true,
  when: "end",
  gate: 1,
  shows: "",
  writing: "",
  accidentals: "",
  lines: "",
  view: "",
  counts: false,
};

const KEY = "lantern-stage";

/**
 * Settings as they were kept, whatever somebody has made of them; what is not understood is as usual. By hand: a schema would
 * bring a fifth more script to a phone.
 */
export function readSettings(text: string | null): StageSettings {
  let kept: Partial<Record<keyof StageSettings, unknown>> = {};
  try {
    const read: unknown = JSON.parse(text ?? "{}");
    if (typeof read === "object" && read !== null) kept = read;
  } catch {
    // Not ours.
  }
  const flag = (name: "light" | "click" | "leads" | "pedals" | "counts"): boolean =>
    typeof kept[name] === "boolean" ? kept[name] : PLAIN[name];
  return {
    density: DENSITIES.find((one) => one === kept.density) ?? PLAIN.density,
    size: typeof kept.size === "number" && SIZES[kept.size] !== undefined ? kept.size : PLAIN.size,
    light: flag("light"),
    hand: kept.hand === "left" ? "left" : "right",
    click: flag("click"),
    leads: flag("leads"),
    pedals: flag("pedals"),
    when: WHENS.find((one) => one === kept.when) ?? PLAIN.when,
    gate: typeof kept.gate === "number" && GATES[kept.gate] !== undefined ? kept.gate : PLAIN.gate,
    counts: flag("counts"),
    shows: SHOWS.find((one) => one === kept.shows) ?? PLAIN.shows,
    writing: WRITINGS.find((one) => one === kept.writing) ?? PLAIN.writing,
    accidentals: ACCIDENTALS.find((one) => one === kept.accidentals) ?? PLAIN.accidentals,
    lines: LINES.find((one) => one === kept.lines) ?? PLAIN.lines,
    view: VIEWS.find((one) => one === kept.view) ?? PLAIN.view,
  };
}

/** The settings kept on this device. */
const keptSettings = (): StageSettings => {
  try {
    return readSettings(localStorage.getItem(KEY));
  } catch {
    return PLAIN;
  }
};

/** Keeps settings on this device; where it keeps nothing they hold for as long as the page is open. */
function keep(settings: StageSettings): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(settings));
  } catch {
    // A private window.
  }
}

/** Changes settings for the stages that are opened next. */
export const changeKept = (fields: Partial<StageSettings>): void => keep({ ...keptSettings(), ...fields });

const NONE: Partial<StageSettings> = Object.freeze({});

/**
 * The settings of this device, kept on it. They are known after the first drawing.
 * @param asked what this page was opened with; it holds for the page, until it is changed there
 */
export function useStageSettings(
  asked: Partial<StageSettings> = NONE,
): [StageSettings, (change: Partial<StageSettings>) => void] {
  const [settings, setSettings] = useState<StageSettings>({ ...PLAIN, ...asked });
  useEffect(() => setSettings({ ...keptSettings(), ...asked }), [asked]);
  const change = useCallback((fields: Partial<StageSettings>) => {
    setSettings((before) => ({ ...before, ...fields }));
    changeKept(fields);
  }, []);
  return [settings, change];
}
