import { addLayer } from "../../src/core/loops";
import { STRUM_LIBRARY } from "../../src/core/rhythm";
import {
  add,
  addChord,
  addException,
  addRiff,
  addSection,
  addUse,
  batch,
  chooseShape,
  copyCell,
  copyUse,
  dismiss,
  fold,
  keepInBook,
  markChord,
  moveBefore,
  nameChord,
  pasteCells,
  removalIn,
  removeChord,
  removeLine,
  removeRiff,
  removeSection,
  removeStrum,
  removeUse,
  set,
  setCell,
  setCells,
  setEndingLength,
  setEntrances,
  setRiffNotes,
  setWords,
  takePattern,
  unfold,
  type VersionCommand,
} from "../../src/core/song/edit";
import { indexCells, outlineOf } from "../../src/core/song/read";
import { EXCEPTION_KINDS, EXCEPTION_TIMES, type VersionBody } from "../../src/core/song/schema";
import { addSound, nameSound, removeSound } from "../../src/core/sounds";
import { sampleRiff } from "./sample-riff";
import { sampleSpot } from "./sample-spot";

const ids = () => {
  let count = 0;
  return () => `new${count++}`;
};

const noteAt = (tick: number, fret: number) => ({
  tick,
  ticks: 480,
  string: 2,
  fret: fret % 20,
  art: "plain" as const,
  bend: 0,
  ring: false,
  short: false,
  optional: false,
  round: null,
  weight: 2 as const,
  stroke: null,
  times: "only" as const,
  finger: null,
});

/** Any of the commands the interface makes, by two numbers; null where the body has nothing for it. */
export function anyCommand(body: VersionBody, choice: number, pick: number): VersionCommand | null {
  const makeId = ids();
  const outline = outlineOf(body);
  const section = outline.sections[pick % Math.max(1, outline.sections.length)];
  const line = section?.lines[0];
  const chord = line?.chords[0]?.chord;
  const use = outline.form[pick % Math.max(1, outline.form.length)];
  const player = Object.values(body.players)[0];
  switch (choice % 41) {
    case 0:
      return set("version", "v", { bpm: 60 + pick });
    case 1:
      return section ? set("sections", section.section.id, { label: `L${pick}` }) : null;
    case 2:
      return addSection(body, "New", "bridge", () => `s${choice}-${pick}-${makeId()}`);
    case 3:
      return section ? removeSection(body, section.section.id) : null;
    case 4:
      return section ? addUse(body, section.section.id, () => `use-${choice}-${pick}`) : null;
    case 5:
      return use ? removeUse(body, use.id) : null;
    case 6:
      return use
        ? moveBefore("uses", outline.form, use.id, outline.form.find((one) => one.id !== use.id)?.id ?? null)
        : null;
    case 7:
      return line
        ? setWords(line, `words ${pick} anew and longer`, () => `w-${choice}-${pick}-${makeId()}`)
        : null;
    case 8:
      return line
        ? addChord(line, "Am7", 960, line.words[0]?.word.id ?? null, () => `c-${choice}-${pick}`)
        : null;
    case 9:
      return chord ? removeChord(body, chord.id) : null;
    case 10:
      return use && player
        ? setCell(
            indexCells(body, outline),
            use.id,
            player.id,
            pick % 2 === 0
              ? { light: pick % 5, note: "n" }
              : { fret: pick % 4 === 1 ? 7 : null, moved: pick % 3 === 0, strings: [3, 4, 5] },
            () => `cell-${choice}-${pick}`,
          )
        : null;
    case 11:
      return line ? removeLine(body, line.line.id) : null;
    case 12:
      return use && player
        ? setCells(
            indexCells(body, outline),
            "several",
            outline.form.map((one) => ({
              useId: one.id,
              playerId: player.id,
              fields: { technique: "picking", bars: [[0, 2]] },
            })),
            () => `cells-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 13:
      return use && player
        ? takePattern(
            body,
            indexCells(body, outline),
            STRUM_LIBRARY[pick % STRUM_LIBRARY.length]!,
            [{ useId: use.id, playerId: player.id }],
            () => `strum-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 14: {
      const strum = Object.values(body.strums)[0];
      return strum ? removeStrum(body, strum.id) : null;
    }
    case 15:
      return use && player
        ? addRiff(
            body,
            indexCells(body, outline),
            sampleRiff({
              id: `riff-${choice}-${pick}`,
              tuning: player.tuning,
              strokes: pick % 2 ? "by turns" : null,
            }),
            [noteAt(0, pick), noteAt(480, 3)],
            [{ useId: use.id, playerId: player.id }],
            () => `riff-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 16: {
      const riff = Object.values(body.riffs)[0];
      return riff
        ? setRiffNotes(
            body,
            riff.id,
            [noteAt(480, 3), noteAt(960, 5)],
            () => `note-${choice}-${pick}-${makeId()}`,
            { name: `r${pick}` },
          )
        : null;
    }
    case 17: {
      const riff = Object.values(body.riffs)[0];
      return riff ? removeRiff(body, riff.id) : null;
    }
    case 18:
      return use && player
        ? pasteCells(
            indexCells(body, outline),
            [[copyCell(indexCells(body, outline), use.id, player.id)]],
            { row: 0, column: 0, rows: 2, columns: 1 },
            outline.form.map((one) => [{ useId: one.id, playerId: player.id }]),
            () => `paste-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 19:
      return dismiss([`finding ${pick}`], "so be it", () => `dismiss-${choice}-${pick}`);
    case 20:
      return use ? set("uses", use.id, { shift: pick % 5, vocals: pick % 2 === 0 }) : null;
    case 21:
      return player ? set("players", player.id, { capo: pick % 8, light: pick % 5 }) : null;
    case 22:
      return use
        ? addException(
            outline,
            pick % 4 === 3 && section
              ? { sectionId: section.section.id, times: EXCEPTION_TIMES[pick % 4]! }
              : { useId: use.id },
            EXCEPTION_KINDS[pick % EXCEPTION_KINDS.length]!,
            {
              ticks: 960,
              lineId: outline.byId.get(use.sectionId)?.lines[0]?.line.id ?? null,
              symbol: pick % 2 ? "Am7" : null,
            },
            () => `exception-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 23: {
      const exception = Object.values(body.exceptions)[0];
      return exception ? batch("Remove", removalIn(body, "exceptions", exception.id)) : null;
    }
    case 24:
      return section
        ? add("extras", {
            id: `extra-${choice}-${pick}`,
            order: `V${pick}`,
            sectionId: section.section.id,
            lineId: line?.line.id ?? null,
            kind: "comment",
            text: `said ${pick}`,
          })
        : null;
    case 25:
      return addLayer(body, { name: `Layer ${pick}` }, () => `layer-${choice}-${pick}-${makeId()}`);
    case 26: {
      const layer = Object.values(body.loopLayers)[0];
      return layer && use
        ? add("loopWants", {
            id: `want-${choice}-${pick}`,
            layerId: layer.id,
            useId: use.id,
            stretches: [{ from: 0, to: null, want: pick % 2 ? "on" : "either" }],
          })
        : null;
    }
    case 27:
      return player
        ? addSound(body, player.id, { id: `sound-${choice}-${pick}`, name: `Sound ${pick}` })
        : null;
    case 28: {
      const sound = Object.values(body.sounds)[0];
      return sound ? removeSound(body, sound, null) : null;
    }
    case 29:
      return use && player
        ? nameSound(
            indexCells(body, outline),
            { useId: use.id, playerId: player.id },
            Object.values(body.sounds)[0]?.name ?? "plain",
            () => `named-${choice}-${pick}`,
          )
        : null;
    case 30:
      return chord
        ? set("chords", chord.id, { symbol: pick % 2 ? "Am7" : "D/F#", ticks: 960 * (1 + (pick % 4)) })
        : null;
    case 32:
      return use && player
        ? setEntrances(
            body,
            use.id,
            player.id,
            [
              {
                kind: (["enters", "leaves", "only"] as const)[pick % 3]!,
                bars: pick % 2 ? [["half", 2]] : null,
              },
            ],
            () => `entrance-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 33:
      return use ? copyUse(body, outline, use.id, () => `copy-${choice}-${pick}-${makeId()}`) : null;
    case 34:
      return use ? unfold(body, outline, use.id, () => `own-${choice}-${pick}-${makeId()}`) : null;
    case 35: {
      const [from, into] = [outline.sections[pick % 3], outline.sections[(pick + 1) % 3]];
      if (!from || !into) return null;
      const folded = fold(
        body,
        outline,
        from.section.id,
        into.section.id,
        () => `fold-${choice}-${pick}-${makeId()}`,
      );
      return folded.ok ? folded.value : null;
    }
    case 36:
      return section && chord
        ? markChord(
            body,
            outline,
            { sectionId: section.section.id, times: EXCEPTION_TIMES[pick % 4]! },
            chord.id,
            (["push", "late", "hold", "choke"] as const)[pick % 4]!,
            { ticks: 480 },
            () => `mark-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 37: {
      const ending = [...outline.exceptions.values()]
        .flat()
        .find(({ exception }) => exception.kind === "ending");
      const home = ending && outline.byId.get(body.uses[ending.exception.useId ?? ""]?.sectionId ?? "");
      return ending && home
        ? setEndingLength(body, home, ending, 480 * (pick % 16), () => `end-${choice}-${pick}-${makeId()}`)
        : null;
    }
    case 38:
      return use && chord
        ? nameChord(
            body,
            outline,
            { useId: use.id },
            chord.id,
            pick % 2 ? "F" : "Bm",
            () => `name-${choice}-${pick}`,
          )
        : null;
    case 39:
      return use && chord && player
        ? keepInBook(
            body,
            sampleSpot(player, { useId: use.id, sectionId: use.sectionId, chordId: chord.id }),
            { symbol: pick % 2 ? "G" : "A2", frets: [3, 2, 0, 0, 3, 3], fingers: [2, 1, null, null, 3, 4] },
            () => `kept-${choice}-${pick}-${makeId()}`,
          )
        : null;
    default:
      return use && chord && player
        ? chooseShape(
            body,
            sampleSpot(player, { useId: use.id, sectionId: use.sectionId, chordId: chord.id }),
            "chord",
            { frets: [3, 2, 0, 0, 0, 3], fingers: [2, 1, null, null, null, 3] },
            () => `choice-${choice}-${pick}`,
          )
        : null;
  }
}
