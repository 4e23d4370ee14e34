import { scoreOf } from "../split";
import type { ArrangeCase, ArrangeGrid, Arrangement } from "./case";
import { lawsBroken } from "./laws";
import { arrangeTerms } from "./score";

/** An arrangement whose cells have been changed by hand: its terms, score and laws anew. It is nobody's best any more. */
export function rescored(
  asked: ArrangeCase,
  { school, bound }: Arrangement,
  cells: ArrangeGrid,
): Arrangement {
  const terms = arrangeTerms(asked, school, cells);
  const score = scoreOf(terms);
  return {
    school,
    cells,
    terms,
    score,
    exact: false,
    bound: Math.min(bound, score),
    violations: lawsBroken(asked, cells),
  };
}
