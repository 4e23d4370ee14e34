import type { BuildSheet } from "@/core/loops";

/** The build of the loops as a section before the first: pass by pass how long, and what is pressed when it is full. */
export const BuildSection = ({ build, className = "" }: { build: BuildSheet; className?: string }) => (
  <section aria-label="Build the loops" className={`build-section ${className}`}>
    <p>
      <strong>Build the loops</strong>, {Math.round(build.seconds)} s: count in {build.countInBars}{" "}
      {build.countInBars === 1 ? "bar" : "bars"}, on 1 press <strong>{build.begins}</strong>
    </p>
    <ol className="build-passes">
      {build.steps.map(({ layers, bars, over, held, closes }, at) => (
        <li key={layers}>
          <span>
            {at + 1} <strong>{layers}</strong>
            {over && " on top"}
            {held.length > 0 && (
              <span className="flex flex-wrap gap-x-4 font-mono">
                {held.map((shape) => (
                  <span key={shape} className="whitespace-nowrap">
                    {shape}
                  </span>
                ))}
              </span>
            )}
          </span>
          <span>
            {bars} {bars === 1 ? "bar" : "bars"}, then <strong>{closes}</strong>
          </span>
        </li>
      ))}
    </ol>
    <p>
      {build.listenBars > 0 && `Hear everything once, ${build.listenBars} bars. `}
      {build.before}
    </p>
  </section>
);
