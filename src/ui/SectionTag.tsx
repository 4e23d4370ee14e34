import type { SectionKind } from "@/core/song/schema";
import { CUT_OF_KIND } from "./pretty";

/** A section's name on a tag whose cut tells its kind. */
export const SectionTag = ({ label, kind }: { label: string; kind: SectionKind }) => (
  <span className="section-tag" data-cut={CUT_OF_KIND[kind]}>
    {label}
  </span>
);
