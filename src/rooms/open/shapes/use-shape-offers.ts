"use client";

import { useState } from "react";
import { type Fingering, orderShapes } from "@/core/fretboard";
import { ANY_SHAPE, OFFERED, type ShapeRequest, shapeQuestion } from "@/core/parts";
import { useEngine } from "@/engines/window";
import type { ShapeSearch } from "./WishFields";

/** Shapes looked through before they are ordered by a neighbour. */
const ORDERED = 240;

/** The shapes offered for a chord, by what is wished of them, beside what the hand holds before and after. */
export function useShapeOffers(
  request: ShapeRequest,
  around: { readonly before: Fingering | null; readonly after: Fingering | null },
) {
  const [search, setSearch] = useState<ShapeSearch>({ ...ANY_SHAPE, order: "usual first" });
  const limit = search.order === "usual first" ? search.limit : Math.max(ORDERED, search.limit);
  const answer = useEngine("fingerings", shapeQuestion(request, { ...search, limit }));
  // The offers of another shape would be held for this one.
  const found = answer.isOld ? null : answer.data;
  const { tuning, capo, scaleMm } = request;
  const ordered =
    found && orderShapes(found.fingerings, search.order, around, { strings: tuning.length, capo, scaleMm });
  return {
    search,
    setSearch,
    answer,
    shapes: ordered?.slice(0, search.limit) ?? null,
    total: found?.total ?? 0,
    showMore: () => setSearch({ ...search, limit: search.limit + OFFERED }),
  };
}
