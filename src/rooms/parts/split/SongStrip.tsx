import type { ArrangeCase, Arrangement, BandSheet } from "@/core/parts";

type Props = {
  readonly asked: ArrangeCase;
  readonly sheet: BandSheet;
  readonly proposal: Arrangement;
};

const WIDTH = 1000;
const PITCHES = 96;
const BASE = 138;
const DENSE = 32;
const [LOWEST, HIGHEST] = [28, 88];

const heightOf = (pitch: number): number =>
  PITCHES - (PITCHES * (Math.min(HIGHEST, Math.max(LOWEST, pitch)) - LOWEST)) / (HIGHEST - LOWEST);

/** A proposal over time: above who lies in which register, below how many play and how bright, section by section. */
export function SongStrip({ asked, sheet, proposal }: Props) {
  const bars = asked.uses.reduce((sum, use) => sum + use.bars, 0);
  const lights = proposal.cells.map((row) => row.reduce((sum, { light }) => sum + light, 0));
  const most = Math.max(1, ...lights);
  let from = 0;
  const places = asked.uses.map((use) => {
    const x = (WIDTH * from) / bars;
    from += use.bars;
    return { x, width: (WIDTH * use.bars) / bars - 3 };
  });
  const label = (at: number) => sheet.rows.find(({ use }) => use.id === asked.uses[at]!.id)?.label ?? "";
  const count = (at: number) => proposal.cells[at]!.filter(({ role }) => role !== "out").length;
  const told = asked.uses.map((_, at) => `${label(at)}: ${count(at)} play, light ${lights[at]}`).join("; ");
  return (
    <figure className="mt-4">
      <figcaption className="text-sm">
        Who lies in which register, the voice hatched; below, how much light each section has, and how many
        play.
      </figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${BASE + 26}`} className="w-full" role="img" aria-label={told}>
        <defs>
          <pattern
            id="voice-hatch"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0v6" className="stroke-base-content" strokeWidth="1.5" strokeOpacity="0.5" />
          </pattern>
        </defs>
        {places.map(({ x, width }, at) => (
          <g key={asked.uses[at]!.id}>
            <rect x={x} y={0} width={width} height={PITCHES} className="fill-base-200" />
            {proposal.cells[at]!.map((cell, who) =>
              cell.low === null || cell.high === null || asked.players[who]!.instrument === "voice" ? null : (
                <rect
                  key={asked.players[who]!.id}
                  x={x + (width * (cell.entryBar - 1)) / asked.uses[at]!.bars + who * 2}
                  y={heightOf(cell.high)}
                  width={Math.max(4, width * (1 - (cell.entryBar - 1) / asked.uses[at]!.bars) - 12)}
                  height={Math.max(4, heightOf(cell.low) - heightOf(cell.high))}
                  className="fill-base-content"
                  fillOpacity={0.1 + 0.07 * cell.light}
                  stroke="currentColor"
                  strokeOpacity="0.6"
                />
              ),
            )}
            {asked.uses[at]!.voice && (
              <rect
                x={x}
                y={heightOf(asked.uses[at]!.voice!.high)}
                width={width}
                height={heightOf(asked.uses[at]!.voice!.low) - heightOf(asked.uses[at]!.voice!.high)}
                fill="url(#voice-hatch)"
              />
            )}
            <rect
              x={x}
              y={BASE - (DENSE * lights[at]!) / most}
              width={width}
              height={(DENSE * lights[at]!) / most}
              className="fill-primary"
            />
            <text x={x + 4} y={BASE + 18} className="fill-base-content max-sm:hidden" fontSize="16">
              {count(at)}
            </text>
            {width > 60 && (
              <text x={x + 24} y={BASE + 18} className="fill-base-content max-sm:hidden" fontSize="14">
                {label(at).slice(0, Math.floor(width / 9))}
              </text>
            )}
          </g>
        ))}
      </svg>
    </figure>
  );
}
