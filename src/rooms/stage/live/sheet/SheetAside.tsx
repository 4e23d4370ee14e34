import { Suspense } from "react";
import type { SheetView } from "@/core/song/schema";
import type { StageShape, StageSheet } from "@/core/stage";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { hasBoth, hasShapes } from "../../sheet-view";
import { StrumStrip } from "../seldom";

type Props = {
  readonly sheet: StageSheet;
  readonly leftHanded: boolean;
  readonly view: SheetView;
  /** Where the music is, in ticks of the passage; null where no clock runs. */
  readonly tick: number | null;
};

/** The strum of a section and its shapes, beside its words. */
export function AsideOf({ sheet, leftHanded, view, tick }: Props) {
  const isShaped = hasShapes(sheet, view);
  if (!isShaped && (!sheet.strum || hasBoth(sheet))) return null;
  return (
    <aside
      aria-label="Strum and shapes"
      className={`shrink-0 overflow-y-auto max-md:hidden ${sheet.strum ? "w-96" : isMany(sheet) ? "w-80" : "w-64"}`}
    >
      <StrumOf sheet={sheet} tick={tick} />
      {isShaped && (
        <ul aria-label="Shapes" className={`grid content-start gap-x-2 gap-y-3 ${columnsFor(sheet)}`}>
          {sheet.shapes.map((shape) => (
            <li key={`${shape.name} ${shape.frets.join()}`} className="text-center text-2xl">
              <NamedShape shape={shape} capo={sheet.capo} leftHanded={leftHanded} />
              {shape.really !== null && <span className="block text-lg">is {shape.really}</span>}
              {shape.where !== null && <span className="block text-lg">{shape.where}</span>}
            </li>
          ))}
        </ul>
      )}
    </aside>
  );
}

/** A shape under its name. */
const NamedShape = ({
  shape,
  capo,
  leftHanded,
}: {
  shape: StageShape;
  capo: number;
  leftHanded: boolean;
}) => (
  <>
    <span className="font-mono font-bold">{shape.name}</span>
    <ChordDiagram
      shape={shape}
      name={shape.name}
      capo={capo}
      leftHanded={leftHanded}
      className="mx-auto w-full"
    />
  </>
);

/** More shapes than stand whole in two columns above what feet press. */
const isMany = ({ shapes }: StageSheet): boolean => shapes.length > 4;

/** Beside a strum there is room for more shapes in a row, and less below. */
const columnsFor = (sheet: StageSheet): string => {
  if (sheet.strum === null) return isMany(sheet) ? "grid-cols-3" : "grid-cols-2";
  return sheet.shapes.length > 3 ? "grid-cols-4" : "grid-cols-3";
};

/** So many shapes find room beside the strum on a phone. */
const FEW_SHAPES = 2;

/** On a phone the strum stands above the words, with the shapes where they are one or two. */
export function PhoneStrip({ sheet, leftHanded, view, tick }: Props) {
  if (hasBoth(sheet) && view === "line") return null;
  return (
    <div className="flex flex-wrap items-center gap-x-4 md:hidden">
      <StrumOf sheet={sheet} tick={tick} small />
      {sheet.shapes.length <= FEW_SHAPES &&
        sheet.shapes.map((shape) => (
          <span key={`${shape.name} ${shape.frets.join()}`} className="w-16 text-center">
            <NamedShape shape={shape} capo={sheet.capo} leftHanded={leftHanded} />
          </span>
        ))}
    </div>
  );
}

/** The strum of a section, where it has one. */
export const StrumOf = ({
  sheet: { strum },
  tick,
  small = false,
}: {
  sheet: StageSheet;
  tick: number | null;
  small?: boolean;
}) =>
  strum && (
    <Suspense fallback={null}>
      <StrumStrip strum={strum} tick={tick} small={small} />
    </Suspense>
  );
