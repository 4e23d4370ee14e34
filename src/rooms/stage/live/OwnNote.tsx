import { useEffect, useRef, useState } from "react";
import type { Live, StageLine } from "./stage-line";

/** A player's own words at a section: on this screen, and on nobody else's. */
export function OwnNote({
  live,
  line,
  versionId,
  useId,
}: {
  live: Live;
  line: StageLine;
  versionId: string;
  useId: string;
}) {
  const kept = live.notes.find((note) => note.versionId === versionId && note.useId === useId)?.text ?? "";
  const [open, setOpen] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (open) field.current?.focus();
  }, [open]);
  if (!open)
    return (
      <button
        type="button"
        aria-label={kept === "" ? "Own note" : undefined}
        className={`min-h-11 min-w-0 ${kept === "" ? "link" : "truncate border-b-2 border-primary text-xl font-bold max-sm:text-base"}`}
        onClick={() => setOpen(true)}
      >
        {kept === "" ? (
          <>
            <span className="max-sm:hidden">Own </span>
            <span className="max-sm:capitalize">note</span>
          </>
        ) : (
          kept
        )}
      </button>
    );
  return (
    <form
      className="flex flex-1 items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        line.note({ versionId, useId, text: field.current?.value.trim() ?? "" });
        setOpen(false);
      }}
    >
      <label className="flex flex-1 items-center gap-2 text-lg">
        Own note
        <input
          ref={field}
          className="input flex-1 text-lg"
          defaultValue={kept}
          maxLength={200}
          onKeyDown={(event) => event.key === "Escape" && setOpen(false)}
        />
      </label>
      <button type="submit" className="btn btn-primary">
        Keep
      </button>
    </form>
  );
}
