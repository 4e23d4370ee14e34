import type { BuildSheet } from "@/core/loops";

/** The build of the loops as a section before the first: pass by pass what the foot does. */
export const BuildSection = ({ build, className = "" }: { build: BuildSheet; className?: string }) => (
  <section aria-label="Build the loops" className={`build-section ${className}`}>
    <p>
      <strong>Build the loops</strong>, {Math.round(build.seconds)} s: count in {build.countInBars}{" "}
      {build.countInBars === 1 ? "bar" : "bars"}.
    </p>
    <ol>
      {build.steps.map(({ layers, track, bar, bars, over, feet }, at) => (
        <li key={layers}>
          <strong>
            {at + 1}. {layers}
          </strong>{" "}
          <span>
            track {track + 1}
            {over ? ", on top" : ""}, {bars === 1 ? `bar ${bar}` : `bars ${bar} to ${bar + bars - 1}`}:
          </span>{" "}
          {feet.join("; ")}.
        </li>
      ))}
    </ol>
    <p>
      {build.listenBars > 0 && `Hear everything once, ${build.listenBars} bars. `}
      {build.before}
    </p>
  </section>
);
