"use client";

import type { Variant } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";

/** What the ways of a line or a sound are called. */
export const VARIANT_WORDS: Readonly<Record<Variant, string>> = Object.freeze({
  recorded: "as recorded",
  live: "as played live",
  easy: "made easy",
});

const OPTIONS = [
  { value: "" as const, label: "not said" },
  ...(Object.keys(VARIANT_WORDS) as Variant[]).map((value) => ({ value, label: VARIANT_WORDS[value] })),
];

/** Which way of itself a line or a sound is. */
export const VariantField = ({
  value,
  onSet,
}: {
  readonly value: Variant | null;
  readonly onSet: (variant: Variant | null) => void;
}) => (
  <SelectField
    label="Which way it is"
    className="w-36"
    value={value ?? ""}
    options={OPTIONS}
    onSet={(variant) => onSet(variant === "" ? null : variant)}
  />
);
