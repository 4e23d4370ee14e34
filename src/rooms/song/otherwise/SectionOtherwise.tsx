"use client";

import { useState } from "react";
import type { OutlineException, OutlineSection } from "@/core/song/read";
import { describeShared, meterOf } from "@/core/song/read";
import type { Use, VersionRow } from "@/core/song/schema";
import { derive, useDerived, useNames } from "../../open";
import { ExceptionRow } from "./ExceptionRow";
import { homesIn } from "./homes";
import { SayOtherwise } from "./SayOtherwise";

type Props = {
  readonly section: OutlineSection;
  readonly shared: readonly OutlineException[];
  readonly version: VersionRow;
};

/** What a section says of its times: each in a line, opened to be changed; and a field to say more. */
export function SectionOtherwise({ section, shared, version }: Props) {
  const [opened, setOpened] = useState<string | null>(null);
  const [saying, setSaying] = useState(false);
  const outline = useDerived(derive.outline);
  const namer = useNames()();
  const use = outline.form.find(({ sectionId }) => sectionId === section.section.id);
  if (!use) return null;
  const { homes, nameOf } = {
    homes: homesIn(outline, section.section.id, null),
    nameOf: namer.chord.bind(namer),
  };
  return (
    <div className="mt-1 text-sm">
      <ul className="flex flex-col gap-1">
        {shared.map((one) => {
          const { id } = one.exception;
          if (opened === id)
            return (
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
            );
          return (
            <li key={id}>
              <button
                type="button"
                className="link first-letter:uppercase"
                aria-label={`Change: ${told(one, use)}`}
                onClick={() => setOpened(id)}
              >
                {told(one, use)}
              </button>
            </li>
          );
        })}
      </ul>
      {saying ? (
        <SayOtherwise
          label={`Otherwise in ${section.section.label}, in words`}
          section={section}
          outline={outline}
          homes={homes}
          meter={meterOf({ version: { [version.id]: version } })}
          beatUnit={version.beatUnit}
          nameOf={nameOf}
        />
      ) : (
        <button type="button" className="link" onClick={() => setSaying(true)}>
          Say what is otherwise
        </button>
      )}
    </div>
  );

  function told(one: OutlineException, at: Use): string {
    return describeShared(one, at, outline, version, nameOf);
  }
}
