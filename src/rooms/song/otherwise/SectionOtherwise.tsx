"use client";

import { useState } from "react";
import { describeShared, meterOf, type OutlineException, type OutlineSection } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { derive, useDerived, useNames } from "../../open";
import { ExceptionRow } from "./ExceptionRow";
import { homesIn } from "./homes";
import { SayOtherwise } from "./SayOtherwise";

type Props = {
  readonly section: OutlineSection;
  readonly shared: readonly OutlineException[];
  readonly version: VersionRow;
};

/** What a section says of its times, and a field to say more. */
export function SectionOtherwise(props: Props) {
  const [saying, setSaying] = useState(false);
  return (
    <div className="mt-1 text-sm">
      {(props.shared.length > 0 || saying) && <Said {...props} saying={saying} />}
      {!saying && (
        <button type="button" className="link" onClick={() => setSaying(true)}>
          Say what is otherwise
        </button>
      )}
    </div>
  );
}

/** Each thing that is otherwise in a line, opened to be changed. */
function Said({ section, shared, version, saying }: Props & { readonly saying: boolean }) {
  const [opened, setOpened] = useState<string | null>(null);
  const outline = useDerived(derive.outline);
  const namer = useNames()();
  const use = outline.form.find(({ sectionId }) => sectionId === section.section.id);
  if (!use) return null;
  const homes = homesIn(outline, section.section.id, null);
  const nameOf = (symbol: string): string => namer.chord(symbol);
  return (
    <>
      <ul className="flex flex-col gap-1">
        {shared.map((one) => {
          const { id } = one.exception;
          const told = describeShared(one, use, outline, version, nameOf);
          return opened === id ? (
            <ExceptionRow
              key={id}
              one={one}
              section={section}
              use={use}
              outline={outline}
              version={version}
              homes={homes}
              sung={section.lines.find(({ line }) => line.id === one.exception.lineId)}
            />
          ) : (
            <li key={id}>
              <button
                type="button"
                className="link inline-block first-letter:uppercase"
                aria-label={`Change: ${told}`}
                onClick={() => setOpened(id)}
              >
                {told}
              </button>
            </li>
          );
        })}
      </ul>
      {saying && (
        <SayOtherwise
          label={`Otherwise in ${section.section.label}, in words`}
          section={section}
          outline={outline}
          homes={homes}
          meter={meterOf({ version: { [version.id]: version } })}
          beatUnit={version.beatUnit}
          nameOf={nameOf}
        />
      )}
    </>
  );
}
