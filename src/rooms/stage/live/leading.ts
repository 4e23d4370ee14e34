/** What only the screen that leads has, fetched in one go. */
export { FormMargin } from "./FormMargin";
export { LeadBar } from "./LeadBar";
